<?php

declare(strict_types=1);

namespace App\Stakeout\Http;

use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Instrument\Http\Speaker;
use App\Projects\Models\Project;
use App\Stakeout\Actions\BeginRun;
use App\Stakeout\Actions\CommandRun;
use App\Stakeout\Actions\LeadInstrument;
use App\Stakeout\Models\Run;
use App\Stakeout\RunCommand;
use App\Stakeout\RunEntry;
use App\Stakeout\RunToBegin;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Runs over many points, and what a person says to them. */
final class RunController
{
    #[Get('/projects/{project}/runs', 'The run begun last, with what became of each of its points; none where none was begun', RunEntry::class, list: true)]
    public function latest(Project $project): JsonResponse
    {
        return new JsonResponse(
            Run::query()->where('project_id', $project->id)->orderByDesc('id')->limit(1)->get()->map(RunEntry::of(...))->all(),
        );
    }

    #[Post('/projects/{project}/runs', 'Begins a run; asks (409) before the first check and where another is under way', RunToBegin::class, RunEntry::class)]
    public function store(Request $request, Project $project, BeginRun $begin): JsonResponse
    {
        LeadInstrument::claim(Speaker::of($request));

        return new JsonResponse(RunEntry::of($begin($project, Body::read($request, RunToBegin::class))));
    }

    #[Post('/projects/{project}/runs/{run}/commands', 'Pauses a run, goes on, marks, skips, takes one back, stops it; asks (409) where another device leads it', RunCommand::class, RunEntry::class)]
    public function command(Request $request, Project $project, int $run, CommandRun $do): JsonResponse
    {
        $command = Body::read($request, RunCommand::class);
        // Anybody may stop what turns the instrument.
        if ($command->do->turns()) {
            LeadInstrument::claim(Speaker::of($request));
        }

        return new JsonResponse(RunEntry::of($do($project, $run, $command)));
    }
}
