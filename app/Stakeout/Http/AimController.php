<?php

declare(strict_types=1);

namespace App\Stakeout\Http;

use App\Cogo\PlacesOnLine;
use App\Database\OneReading;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Patch;
use App\Http\OpenApi\Post;
use App\Http\Page;
use App\Projects\Models\Project;
use App\Stakeout\Actions\ChangeAim;
use App\Stakeout\Actions\PlacesAlong;
use App\Stakeout\Actions\TakeAim;
use App\Stakeout\Actions\TakeLinesInBox;
use App\Stakeout\Actions\TellProvable;
use App\Stakeout\AimChange;
use App\Stakeout\AimEntry;
use App\Stakeout\AimRevision;
use App\Stakeout\AimToTake;
use App\Stakeout\LinesInBoxToTake;
use App\Stakeout\Models\KeptAim;
use App\Stakeout\ProvableQuery;
use App\Stakeout\ProvableResource;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What is staked besides prepared points: spots, lines, places along them, elevations. */
final class AimController
{
    #[Get('/projects/{project}/aims', 'What was chosen in the field to be staked, in the order in which it was', AimEntry::class, list: true, query: Page::class)]
    public function index(Request $request, Project $project): JsonResponse
    {
        // A line is kept in several rows, and may be laid anew meanwhile.
        return OneReading::of(static function () use ($request, $project): JsonResponse {
            $page = Page::of($request);
            $aims = $page->narrow(KeptAim::query()->where('project_id', $project->id)->where('put_away', false))->get();

            KeptAim::readLines($aims);
            $changes = (new AimRevision($project))->changesOf($aims);

            return $page->answer($request, $aims->map(static fn (KeptAim $a) => AimEntry::of($a, $changes[$a->id]))->all(), $aims->last()?->id);
        });
    }

    #[Post('/projects/{project}/aims', 'Takes a spot, a line or an elevation as what is to be staked', AimToTake::class, AimEntry::class)]
    public function store(Request $request, Project $project, TakeAim $take): JsonResponse
    {
        return new JsonResponse(AimEntry::of($take($project, Body::read($request, AimToTake::class))));
    }

    #[Post('/projects/{project}/aims/in-box', 'Takes both ends of each line of the drawings that lies in a box, named by the text beside it; asks (409) which layers where lines of several lie in it', LinesInBoxToTake::class, AimEntry::class, list: true)]
    public function inBox(Request $request, Project $project, TakeLinesInBox $take): JsonResponse
    {
        return new JsonResponse(array_map(static fn (KeptAim $a) => AimEntry::of($a), $take($project, Body::read($request, LinesInBoxToTake::class))));
    }

    #[Get('/projects/{project}/provable', 'Whether the tolerance of a target can be proven from where the instrument stands, however well it is staked', ProvableResource::class, query: ProvableQuery::class)]
    public function provable(Request $request, Project $project, TellProvable $tell): JsonResponse
    {
        return new JsonResponse(new ProvableResource($tell($project, Body::read($request, ProvableQuery::class))));
    }

    #[Patch('/projects/{project}/aims/{aim}', 'Changes from which end, at which heights and beside what a line is staked, and what its marks are called', AimChange::class, AimEntry::class)]
    public function update(Request $request, Project $project, int $aim, ChangeAim $change): JsonResponse
    {
        return new JsonResponse(AimEntry::of($change($project, $aim, Body::read($request, AimChange::class))));
    }

    #[Post('/projects/{project}/aims/{aim}/places', 'Makes places along a line, each to be staked by itself', PlacesOnLine::class, AimEntry::class, list: true)]
    public function places(Request $request, Project $project, int $aim, PlacesAlong $along): JsonResponse
    {
        $line = KeptAim::query()->where('project_id', $project->id)->findOrFail($aim);
        $made = $along($project, $line, Body::read($request, PlacesOnLine::class));

        return new JsonResponse(array_map(static fn (KeptAim $a) => AimEntry::of($a), $made));
    }
}
