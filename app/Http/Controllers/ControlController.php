<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\KeepControlPoint;
use App\Actions\PreviewPoints;
use App\Actions\TakeControl;
use App\Http\Bodies\ControlImportBody;
use App\Http\Bodies\ControlPointBody;
use App\Http\Bodies\PreviewBody;
use App\Http\Body;
use App\Http\OpenApi\Delete;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Http\Resources\ControlPointResource;
use App\Http\Resources\CountResource;
use App\Http\Resources\PointsPreview;
use App\Http\Resources\UploadResource;
use App\Models\Project;
use App\Preparation;
use App\Uploads;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;

final class ControlController
{
    #[Post('/projects/{project}/uploads', 'Brings a file in, as multipart form data in the field “file”; nothing is read of it yet', null, UploadResource::class)]
    public function upload(Request $request): JsonResponse
    {
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw new \DomainException('No file arrived. It must be sent as “file” and be under 200 MB.');
        }

        return new JsonResponse(new UploadResource(...Uploads::keep($file)));
    }

    #[Post('/projects/{project}/points-preview', 'Reads an uploaded point file as told, or as guessed; stores nothing', PreviewBody::class, PointsPreview::class)]
    public function preview(Request $request, Project $project, PreviewPoints $preview): JsonResponse
    {
        $body = Body::read($request, PreviewBody::class);

        return new JsonResponse($preview($project, $body->upload, $body->layout));
    }

    #[Post('/projects/{project}/control-import', 'Takes an uploaded control file', ControlImportBody::class, CountResource::class)]
    public function import(Request $request, Project $project, TakeControl $take): JsonResponse
    {
        return new JsonResponse(new CountResource($take($project, Body::read($request, ControlImportBody::class))));
    }

    #[Get('/projects/{project}/control', 'All control points', ControlPointResource::class, list: true)]
    public function index(Project $project): JsonResponse
    {
        return new JsonResponse($project->controlPoints()->orderBy('id')->get()->map(ControlPointResource::of(...))->all());
    }

    #[Post('/projects/{project}/control', 'Stores a control point typed by hand', ControlPointBody::class, ControlPointResource::class)]
    public function store(Request $request, Project $project, KeepControlPoint $keep): JsonResponse
    {
        return new JsonResponse(ControlPointResource::of($keep($project, Body::read($request, ControlPointBody::class), null)));
    }

    #[Put('/projects/{project}/control/{control}', 'Changes a control point; setups keep what they were computed from', ControlPointBody::class, ControlPointResource::class)]
    public function update(Request $request, Project $project, int $control, KeepControlPoint $keep): JsonResponse
    {
        return new JsonResponse(ControlPointResource::of($keep($project, Body::read($request, ControlPointBody::class), $project->controlPoints()->findOrFail($control))));
    }

    #[Delete('/projects/{project}/control/{control}', 'Deletes a control point; undo brings it back')]
    public function destroy(Project $project, int $control): JsonResponse
    {
        $point = $project->controlPoints()->findOrFail($control);
        Preparation::step($project, "Deleted control {$point->name}", static fn (Preparation $step) => $step->delete($point));

        return new JsonResponse(null, 204);
    }
}
