<?php

declare(strict_types=1);

namespace App\Stakeout\Http;

use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Http\Page;
use App\Projects\Models\Project;
use App\Stakeout\Actions\StoreMark;
use App\Stakeout\Actions\StrikeMark;
use App\Stakeout\Actions\TellAgain;
use App\Stakeout\AgainResource;
use App\Stakeout\MarkEntry;
use App\Stakeout\MarkSpread;
use App\Stakeout\MarkToStore;
use App\Stakeout\Models\Mark;
use App\Stakeout\StakingChoices;
use App\Stakeout\StrikeWanted;
use App\Stakeout\WhatCounts;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Stakes, as-built shots and checks. */
final class MarkController
{
    #[Get('/projects/{project}/marks', 'All marks in the order they were taken', MarkEntry::class, list: true, query: Page::class)]
    public function marks(Request $request, Project $project): JsonResponse
    {
        $what = WhatCounts::of($project);
        $page = Page::of($request);
        $ids = $page->cut(Mark::of($project)->pluck('id')->sortBy($what->placeOf(...))->values()->all());
        $marks = Mark::of($project)->with('setup:id,number')->when($page->limit !== null, static fn ($q) => $q->whereIn('id', $ids))->get()->keyBy('id');

        MarkSpread::complete($marks);
        $marks->whereNotNull('mends')->load('observation:id,at');
        $rule = $project->decisionRule();

        return $page->answer($request, array_map(static fn (int $id) => MarkEntry::of($marks[$id], $rule), $ids), $ids === [] ? null : $ids[count($ids) - 1]);
    }

    #[Post('/projects/{project}/marks', 'Stores a stake, an as-built shot or a check; asks back (409) where the person must decide', MarkToStore::class, MarkEntry::class)]
    public function store(Request $request, Project $project, StoreMark $store): JsonResponse
    {
        return new JsonResponse(MarkEntry::of($store($project, Body::read($request, MarkToStore::class)), $project->decisionRule()));
    }

    #[Post('/projects/{project}/marks/{mark}/strikes', 'Strikes a mark through with a reason, or takes the strike back; it stays in the field book and counts nowhere meanwhile', StrikeWanted::class, MarkEntry::class)]
    public function strike(Request $request, Project $project, int $mark, StrikeMark $strike): JsonResponse
    {
        return new JsonResponse(MarkEntry::of($strike($project, $mark, Body::read($request, StrikeWanted::class)), $project->decisionRule()));
    }

    #[Get('/projects/{project}/marks/{mark}/again', 'How a mark differs from the last one of the same thing from another setup, and whether both let expect that; stores nothing', AgainResource::class)]
    public function again(Project $project, int $mark, TellAgain $tell): JsonResponse
    {
        return new JsonResponse(new AgainResource($tell($project, $mark)));
    }

    #[Put('/projects/{project}/staking', 'Chooses what the sheet shows while staking, and what follows a mark', StakingChoices::class, StakingChoices::class)]
    public function choose(Request $request, Project $project): JsonResponse
    {
        $choices = Body::read($request, StakingChoices::class);
        $choices->check();
        $project->update(['staking' => json_encode($choices, JSON_THROW_ON_ERROR)]);
        $project->measured();

        return new JsonResponse(StakingChoices::of($project));
    }
}
