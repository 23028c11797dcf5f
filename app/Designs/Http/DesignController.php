<?php

declare(strict_types=1);

namespace App\Designs\Http;

use App\Buildings\Actions\BodiesOf;
use App\Designs\Actions\ChangeDesign;
use App\Designs\Actions\PlaceDrawing;
use App\Designs\DesignChange;
use App\Designs\DesignEntry;
use App\Designs\DrawingToTake;
use App\Designs\LayerChange;
use App\Designs\Models\Design;
use App\Designs\Models\DesignLayer;
use App\Designs\PlacementFound;
use App\Designs\PlacementWanted;
use App\Http\Body;
use App\Http\OpenApi\Delete;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Patch;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Http\Page;
use App\Projects\Models\Project;
use App\Projects\Uploads;
use App\Tasks\Http\TaskResource;
use App\Tasks\StartTask;
use App\Tasks\TaskKind;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

final class DesignController
{
    #[Post('/projects/{project}/drawing-inspection', 'Reads an uploaded drawing (DXF, shapefiles, IFC) through and tells what is in it; stores nothing of it', InspectDrawingBody::class, TaskResource::class)]
    public function inspect(Request $request, Project $project, StartTask $start): JsonResponse
    {
        $body = Body::read($request, InspectDrawingBody::class);
        Uploads::require($body->upload, $project);

        return new JsonResponse(TaskResource::of($start($project, TaskKind::InspectDrawing, (array) $body)));
    }

    #[Post('/projects/{project}/designs', 'Takes an uploaded drawing (DXF, shapefiles, IFC) in the unit and with the layers chosen', DrawingToTake::class, TaskResource::class)]
    public function store(Request $request, Project $project, StartTask $start): JsonResponse
    {
        $body = Body::read($request, DrawingToTake::class);
        Uploads::require($body->upload, $project);

        return new JsonResponse(TaskResource::of($start($project, TaskKind::TakeDrawing, json_decode((string) json_encode($body), true))));
    }

    #[Post('/projects/{project}/compute-placement', 'Where matched points, or a typed shift and turn, put a drawing; stores nothing', PlacementWanted::class, PlacementFound::class)]
    public function placement(Request $request, Project $project, PlaceDrawing $place): JsonResponse
    {
        return new JsonResponse($place($project, Body::read($request, PlacementWanted::class)));
    }

    #[Get('/projects/{project}/designs', 'All drawings with their layers, without geometry', DesignEntry::class, list: true, query: Page::class)]
    public function index(Request $request, Project $project): JsonResponse
    {
        $page = Page::of($request);
        $rows = $page->narrow(Design::of($project))->with('layers')->get(Design::LISTED);

        return $page->answer($request, $rows->map(static fn (Design $d) => DesignEntry::of($d, $project->active_design_id))->all(), $rows->last()?->id);
    }

    #[Put('/projects/{project}/designs/{design}', 'Names a drawing, makes it a background, or the active design', DesignChange::class)]
    public function update(Request $request, Project $project, int $design, ChangeDesign $change): JsonResponse
    {
        $change->change($project, $design, Body::read($request, DesignChange::class));

        return new JsonResponse(null, 204);
    }

    #[Get('/projects/{project}/designs/{design}/added', 'What a revision added, packed as the shapes of a layer', media: 'application/octet-stream')]
    public function added(Project $project, int $design): Response
    {
        return self::packed(Design::of($project)->findOrFail($design)->added);
    }

    #[Get('/projects/{project}/designs/{design}/gone', 'What a revision no longer has, in its old place', media: 'application/octet-stream')]
    public function gone(Project $project, int $design): Response
    {
        return self::packed(Design::of($project)->findOrFail($design)->gone);
    }

    #[Get('/projects/{project}/designs/{design}/moved', 'What a revision moved, in its new place', media: 'application/octet-stream')]
    public function moved(Project $project, int $design): Response
    {
        return self::packed(Design::of($project)->findOrFail($design)->moved);
    }

    #[Get('/projects/{project}/designs/{design}/bodies', 'The solids of a building model, packed as core’s IfcBodies says', media: 'application/octet-stream')]
    public function bodies(Project $project, int $design, BodiesOf $bodies): BinaryFileResponse
    {
        return new BinaryFileResponse($bodies(Design::of($project)->findOrFail($design, Design::LISTED)), 200, [
            'Content-Type' => 'application/octet-stream', 'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }

    #[Get('/projects/{project}/layers/{layer}/shapes', 'The shapes of a layer, packed as 80-byte records (docs/drawing-records.md)', media: 'application/octet-stream')]
    public function shapes(Project $project, int $layer): Response
    {
        return self::packed($this->layer($project, $layer)->records);
    }

    #[Get('/projects/{project}/layers/{layer}/curves', 'The splines of a layer: degree, knots, control points, weights', media: 'application/json')]
    public function curves(Project $project, int $layer): Response
    {
        return new Response(
            $this->layer($project, $layer)->getRawOriginal('curves'), 200,
            ['Content-Type' => 'application/json', 'Cache-Control' => 'private, max-age=31536000, immutable'],
        );
    }

    #[Patch('/projects/{project}/layers', 'Sets what is given for these layers: shown, pickable, a colour of our own; what is hidden '
        .'can’t be picked', LayerChange::class)]
    public function change(Request $request, Project $project, ChangeDesign $change): JsonResponse
    {
        $change->layers($project, Body::read($request, LayerChange::class));

        return new JsonResponse(null, 204);
    }

    #[Delete('/projects/{project}/designs/{design}', 'Removes a drawing from the project; its points stay, and undo brings it back')]
    public function destroy(Project $project, int $design, ChangeDesign $change): JsonResponse
    {
        $change->remove($project, $design);

        return new JsonResponse(null, 204);
    }

    private function layer(Project $project, int $layer): DesignLayer
    {
        return DesignLayer::query()->whereHas('design', static fn ($q) => $q->where('project_id', $project->id))->findOrFail($layer);
    }

    /** A layer, and what changed in it, never changes once it is taken. */
    private static function packed(?string $records): Response
    {
        return new Response(
            (string) $records, 200,
            ['Content-Type' => 'application/octet-stream', 'Cache-Control' => 'private, max-age=31536000, immutable'],
        );
    }
}
