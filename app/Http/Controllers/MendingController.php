<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\MendReading;
use App\Http\Bodies\CorrectionBody;
use App\Http\Bodies\MendBody;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\Resources\ChecksResource;
use App\Http\Resources\CountResource;
use App\Http\Resources\MendedSetupResource;
use App\Models\Project;
use App\Setup\Checks;
use App\Setup\Mending;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Whether the setup still holds, and what was mended afterwards. */
final class MendingController
{
    #[Get('/projects/{project}/checks', 'The check shots on the setup that holds, each against what was to be expected, and whether it still holds', ChecksResource::class)]
    public function checks(Project $project): JsonResponse
    {
        return new JsonResponse(Checks::of($project));
    }

    #[Post('/projects/{project}/corrections', 'Mends a target height or a constant of a reading, with a note; what hangs on it becomes a proposal', CorrectionBody::class, CountResource::class)]
    public function correct(Request $request, Project $project, MendReading $mend): JsonResponse
    {
        return new JsonResponse(new CountResource($mend($project, Body::read($request, CorrectionBody::class))));
    }

    #[Get('/projects/{project}/setup-proposals', 'Setups and marks that would come out otherwise with what was mended since', MendedSetupResource::class, list: true)]
    public function proposals(Project $project, Mending $mending): JsonResponse
    {
        return new JsonResponse(array_map(MendedSetupResource::of(...), $mending->proposals($project)));
    }

    #[Post('/projects/{project}/setup-proposals-adoption', 'Writes the mended setups and marks beside the old ones', MendBody::class, CountResource::class)]
    public function adopt(Request $request, Project $project, Mending $mending): JsonResponse
    {
        $body = Body::read($request, MendBody::class);

        return new JsonResponse(new CountResource($mending->adopt($project, $body->setupIds, $body->note)));
    }
}
