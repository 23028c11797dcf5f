<?php

declare(strict_types=1);

namespace App\Worklists\Http;

use App\Http\Body;
use App\Http\OpenApi\Delete;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Http\Page;
use App\Projects\Models\Project;
use App\Tasks\Http\TaskResource;
use App\Tasks\StartTask;
use App\Tasks\TaskKind;
use App\Worklists\Actions\KeepWorklist;
use App\Worklists\Actions\WalkOver;
use App\Worklists\Models\Worklist;
use App\Worklists\NextFound;
use App\Worklists\NextPoint;
use App\Worklists\NextWanted;
use App\Worklists\TypedWorklist;
use App\Worklists\WalkFound;
use App\Worklists\WalkWanted;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Worklists: points to be staked together, in order. */
final class WorklistController
{
    #[Get('/projects/{project}/worklists', 'The worklists', WorklistResource::class, list: true, query: Page::class)]
    public function index(Request $request, Project $project): JsonResponse
    {
        $page = Page::of($request);
        $rows = $page->narrow(Worklist::of($project))->get();

        return $page->answer($request, $rows->map(WorklistResource::of(...))->all(), $rows->last()?->id);
    }

    #[Post('/projects/{project}/worklists', 'Makes a worklist', TypedWorklist::class, WorklistResource::class)]
    public function store(Request $request, Project $project, KeepWorklist $keep): JsonResponse
    {
        return new JsonResponse(WorklistResource::of($keep->make($project, Body::read($request, TypedWorklist::class))));
    }

    #[Put('/projects/{project}/worklists/{list}', 'Changes the name, the points or the order of a worklist', TypedWorklist::class, WorklistResource::class)]
    public function update(Request $request, Project $project, int $list, KeepWorklist $keep): JsonResponse
    {
        return new JsonResponse(WorklistResource::of($keep->change($project, $list, Body::read($request, TypedWorklist::class))));
    }

    #[Post('/projects/{project}/worklists/{list}/skipping', 'Leaves a point of a worklist out for now, or takes it up again', SkipBody::class, WorklistResource::class)]
    public function skip(Request $request, Project $project, int $list, KeepWorklist $keep): JsonResponse
    {
        $body = Body::read($request, SkipBody::class);

        return new JsonResponse(WorklistResource::of($keep->skip($project, $list, $body->pointId, $body->skipped)));
    }

    #[Delete('/projects/{project}/worklists/{list}', 'Deletes a worklist; its points stay')]
    public function destroy(Project $project, int $list, KeepWorklist $keep): JsonResponse
    {
        $keep->delete($project, $list);

        return new JsonResponse(null, 204);
    }

    #[Post('/projects/{project}/worklists/{list}/sheet', 'Prints a worklist for the field as PDF; fetch it as a report when the task '
        .'is done', null, TaskResource::class)]
    public function sheet(Project $project, int $list, StartTask $start): JsonResponse
    {
        return new JsonResponse(
            TaskResource::of($start($project, TaskKind::WorklistSheet, ['worklistId' => Worklist::of($project)->findOrFail($list)->id])),
        );
    }

    #[Post('/projects/{project}/next-open', 'The point that comes next among those still open; stores nothing', NextWanted::class, NextFound::class)]
    public function next(Request $request, Project $project): JsonResponse
    {
        return new JsonResponse(NextPoint::in($project, Body::read($request, NextWanted::class)));
    }

    #[Post('/projects/{project}/walk', 'Puts points in the order in which one walks over them; stores nothing', WalkWanted::class, WalkFound::class)]
    public function walk(Request $request, Project $project, WalkOver $walk): JsonResponse
    {
        return new JsonResponse($walk($project, Body::read($request, WalkWanted::class)));
    }
}
