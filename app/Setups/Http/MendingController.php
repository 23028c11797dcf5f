<?php

declare(strict_types=1);

namespace App\Setups\Http;

use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Mending\Actions\MatchBuilt;
use App\Mending\Actions\MendReading;
use App\Mending\CorrectedReading;
use App\Mending\MatchesToKeep;
use App\Mending\MatchQuery;
use App\Mending\MendedSetup;
use App\Mending\Mending;
use App\Mending\ShotMatchEntry;
use App\Projects\Http\CountResource;
use App\Projects\Models\Project;
use App\Setups\MendedSetupEntry;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What was mended afterwards. */
final class MendingController
{
    #[Post('/projects/{project}/corrections', 'Mends a target height or a constant of a reading, with a note; what hangs on it '
        .'becomes a proposal', CorrectedReading::class, CountResource::class)]
    public function correct(Request $request, Project $project, MendReading $mend): JsonResponse
    {
        return new JsonResponse(new CountResource($mend($project, Body::read($request, CorrectedReading::class))));
    }

    #[Get('/projects/{project}/built-matches', 'As-built shots that are held against nothing, with the points that each may be of; stores nothing', ShotMatchEntry::class, list: true, query: MatchQuery::class)]
    public function matches(Request $request, Project $project, MatchBuilt $match): JsonResponse
    {
        return new JsonResponse($match->proposed($project, Body::read($request, MatchQuery::class)));
    }

    #[Post('/projects/{project}/built-matches', 'Says of which points as-built shots are; they are judged against these from now on, and stay in the book as they were', MatchesToKeep::class, CountResource::class)]
    public function match(Request $request, Project $project, MatchBuilt $match): JsonResponse
    {
        return new JsonResponse(new CountResource($match->keep($project, Body::read($request, MatchesToKeep::class))));
    }

    #[Get('/projects/{project}/setup-proposals', 'Setups and marks that would come out otherwise with what was mended since', MendedSetupEntry::class, list: true)]
    public function proposals(Project $project, Mending $mending): JsonResponse
    {
        return new JsonResponse(array_map(static fn (MendedSetup $m) => $m->entry(), $mending->proposals($project)));
    }

    #[Post('/projects/{project}/setup-proposals-adoption', 'Writes the mended setups and marks beside the old ones', MendBody::class, CountResource::class)]
    public function adopt(Request $request, Project $project, Mending $mending): JsonResponse
    {
        $body = Body::read($request, MendBody::class);

        return new JsonResponse(new CountResource($mending->adopt($project, $body->setupIds, $body->note)));
    }
}
