<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ChangeMany;
use App\Actions\MovePoints;
use App\Actions\RenamePoints;
use App\Http\Bodies\CodesSetBody;
use App\Http\Bodies\ElevationsBody;
use App\Http\Bodies\MoveBody;
use App\Http\Bodies\RenameBody;
use App\Http\Body;
use App\Http\OpenApi\Post;
use App\Http\Resources\CountResource;
use App\Http\Resources\MovedResource;
use App\Http\Resources\RenamedResource;
use App\Models\Project;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What is done with points that were chosen: shown first, then done as one step. */
final class SelectionController
{
    #[Post('/projects/{project}/renaming-preview', 'New names by rule; stores nothing', RenameBody::class, RenamedResource::class)]
    public function previewNames(Request $request, Project $project, RenamePoints $rename): JsonResponse
    {
        return new JsonResponse($rename->preview($project, Body::read($request, RenameBody::class)));
    }

    #[Post('/projects/{project}/renaming', 'Renames points by rule', RenameBody::class, CountResource::class)]
    public function rename(Request $request, Project $project, RenamePoints $rename): JsonResponse
    {
        return new JsonResponse(new CountResource($rename->rename($project, Body::read($request, RenameBody::class))));
    }

    #[Post('/projects/{project}/moving-preview', 'Where points would be; stores nothing', MoveBody::class, MovedResource::class)]
    public function previewMove(Request $request, Project $project, MovePoints $move): JsonResponse
    {
        return new JsonResponse($move->preview($project, Body::read($request, MoveBody::class)));
    }

    #[Post('/projects/{project}/moving', 'Moves points', MoveBody::class, CountResource::class)]
    public function move(Request $request, Project $project, MovePoints $move): JsonResponse
    {
        return new JsonResponse(new CountResource($move->move($project, Body::read($request, MoveBody::class))));
    }

    #[Post('/projects/{project}/elevations', 'Gives points their elevation by rule', ElevationsBody::class, CountResource::class)]
    public function elevations(Request $request, Project $project, ChangeMany $change): JsonResponse
    {
        return new JsonResponse(new CountResource($change->elevations($project, Body::read($request, ElevationsBody::class))));
    }

    #[Post('/projects/{project}/codes-setting', 'Gives points a code or a description', CodesSetBody::class, CountResource::class)]
    public function codes(Request $request, Project $project, ChangeMany $change): JsonResponse
    {
        return new JsonResponse(new CountResource($change->codes($project, Body::read($request, CodesSetBody::class))));
    }
}
