<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock;
use App\Http\Bodies\InspectDrawingBody;
use App\Http\Bodies\TakeDrawingBody;
use App\Http\Bodies\VisibleLayersBody;
use App\Http\Body;
use App\Http\OpenApi\Delete;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Http\Resources\DesignResource;
use App\Http\Resources\TaskResource;
use App\Models\DesignLayer;
use App\Models\Project;
use App\Models\Task;
use App\Preparation;
use App\Tasks\StartTask;
use App\Tasks\TaskKind;
use App\Uploads;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class DesignController
{
    #[Post('/projects/{project}/drawing-inspection', 'Reads an uploaded DXF through and tells what is in it; stores nothing of it', InspectDrawingBody::class, TaskResource::class)]
    public function inspect(Request $request, Project $project, StartTask $start): JsonResponse
    {
        $body = Body::read($request, InspectDrawingBody::class);
        Uploads::path($body->upload);

        return new JsonResponse(TaskResource::of($start($project, TaskKind::InspectDrawing, (array) $body)));
    }

    #[Post('/projects/{project}/designs', 'Takes an uploaded DXF in the unit and with the layers chosen', TakeDrawingBody::class, TaskResource::class)]
    public function store(Request $request, Project $project, StartTask $start): JsonResponse
    {
        $body = Body::read($request, TakeDrawingBody::class);
        Uploads::path($body->upload);

        return new JsonResponse(TaskResource::of($start($project, TaskKind::TakeDrawing, json_decode((string) json_encode($body), true))));
    }

    #[Get('/projects/{project}/tasks/{task}', 'How a piece of longer work stands', TaskResource::class)]
    public function task(Project $project, int $task): JsonResponse
    {
        return new JsonResponse(TaskResource::of(Task::query()->where('project_id', $project->id)->findOrFail($task)));
    }

    #[Get('/projects/{project}/designs', 'All drawings with their layers, without geometry', DesignResource::class, list: true)]
    public function index(Project $project): JsonResponse
    {
        return new JsonResponse($project->designs()->with('layers')->orderBy('id')->get()->map(DesignResource::of(...))->all());
    }

    #[Get('/projects/{project}/layers/{layer}/shapes', 'The shapes of a layer, packed as 80-byte records (docs/drawing-records.md)', media: 'application/octet-stream')]
    public function shapes(Project $project, int $layer): Response
    {
        $row = DesignLayer::query()->whereHas('design', static fn ($q) => $q->where('project_id', $project->id))->findOrFail($layer);

        // A layer never changes once it is taken.
        return new Response($row->records, 200, ['Content-Type' => 'application/octet-stream', 'Cache-Control' => 'private, max-age=31536000, immutable']);
    }

    #[Put('/projects/{project}/visible-layers', 'Shows these layers and hides all others; what is hidden can’t be picked', VisibleLayersBody::class)]
    public function show(Request $request, Project $project): JsonResponse
    {
        $ids = Body::read($request, VisibleLayersBody::class)->layerIds;
        $layers = static fn () => DesignLayer::query()->whereIn('design_id', $project->designs()->select('id'));
        $layers()->whereIn('id', $ids)->update(['visible' => true]);
        $layers()->whereNotIn('id', $ids)->update(['visible' => false]);
        $project->changed();

        return new JsonResponse(null, 204);
    }

    #[Delete('/projects/{project}/designs/{design}', 'Removes a drawing from the project; its points stay, and undo brings it back')]
    public function destroy(Project $project, int $design): JsonResponse
    {
        $row = $project->designs()->findOrFail($design);
        Preparation::step($project, "Removed drawing {$row->name}", static fn (Preparation $step) => $step->update($row, ['removed_at' => Clock::stamp()]));

        return new JsonResponse(null, 204);
    }
}
