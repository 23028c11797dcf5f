<?php

declare(strict_types=1);

namespace App\Points\Http;

use App\Cogo\Actions\ChangeMany;
use App\Cogo\Actions\MovePoints;
use App\Cogo\Actions\RenamePoints;
use App\Cogo\CodeForMany;
use App\Cogo\ElevationForMany;
use App\Cogo\Move;
use App\Cogo\PointsMoved;
use App\Cogo\PointsRenamed;
use App\Cogo\Renaming;
use App\Http\Body;
use App\Http\OpenApi\Post;
use App\Projects\Http\CountResource;
use App\Projects\Models\Project;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What is done with points that were chosen: shown first, then done as one step. */
final class SelectionController
{
    #[Post('/projects/{project}/renaming-preview', 'New names by rule; stores nothing', Renaming::class, PointsRenamed::class)]
    public function previewNames(Request $request, Project $project, RenamePoints $rename): JsonResponse
    {
        return new JsonResponse($rename->preview($project, Body::read($request, Renaming::class)));
    }

    #[Post('/projects/{project}/renaming', 'Renames points by rule', Renaming::class, CountResource::class)]
    public function rename(Request $request, Project $project, RenamePoints $rename): JsonResponse
    {
        return new JsonResponse(new CountResource($rename->rename($project, Body::read($request, Renaming::class))));
    }

    #[Post('/projects/{project}/moving-preview', 'Where points would be; stores nothing', Move::class, PointsMoved::class)]
    public function previewMove(Request $request, Project $project, MovePoints $move): JsonResponse
    {
        return new JsonResponse($move->preview($project, Body::read($request, Move::class)));
    }

    #[Post('/projects/{project}/moving', 'Moves points', Move::class, CountResource::class)]
    public function move(Request $request, Project $project, MovePoints $move): JsonResponse
    {
        return new JsonResponse(new CountResource($move->move($project, Body::read($request, Move::class))));
    }

    #[Post('/projects/{project}/elevations', 'Gives points their elevation by rule', ElevationForMany::class, CountResource::class)]
    public function elevations(Request $request, Project $project, ChangeMany $change): JsonResponse
    {
        return new JsonResponse(new CountResource($change->elevations($project, Body::read($request, ElevationForMany::class))));
    }

    #[Post('/projects/{project}/codes-setting', 'Gives points a code or a description', CodeForMany::class, CountResource::class)]
    public function codes(Request $request, Project $project, ChangeMany $change): JsonResponse
    {
        return new JsonResponse(new CountResource($change->codes($project, Body::read($request, CodeForMany::class))));
    }
}
