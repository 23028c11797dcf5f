<?php

declare(strict_types=1);

namespace App\Worklists\Http;

use App\Http\Body;
use App\Http\OpenApi\Delete;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Points\PointName;
use App\Projects\Models\Project;
use App\Projects\Preparation;
use App\Tasks\Http\TaskResource;
use App\Tasks\StartTask;
use App\Tasks\TaskKind;
use App\Worklists\Actions\WalkOver;
use App\Worklists\Models\Worklist;
use App\Worklists\WalkFound;
use App\Worklists\WalkWanted;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** Worklists: points to be staked together, in order. */
final class WorklistController
{
    #[Get('/projects/{project}/worklists', 'The worklists', WorklistResource::class, list: true)]
    public function index(Project $project): JsonResponse
    {
        return new JsonResponse($project->worklists()->orderBy('id')->get()->map(WorklistResource::of(...))->all());
    }

    #[Post('/projects/{project}/worklists', 'Makes a worklist', WorklistBody::class, WorklistResource::class)]
    public function store(Request $request, Project $project): JsonResponse
    {
        $body = Body::read($request, WorklistBody::class);
        $name = self::free($project, $body->name, null);
        $list = Preparation::step($project, "Worklist $name", static fn (Preparation $step) => $step->create(
            new Worklist(['project_id' => $project->id, 'name' => $name, 'point_ids' => self::known($project, $body->pointIds)]),
        ));

        return new JsonResponse(WorklistResource::of($list));
    }

    #[Put('/projects/{project}/worklists/{list}', 'Changes the name, the points or the order of a worklist', WorklistBody::class, WorklistResource::class)]
    public function update(Request $request, Project $project, int $list): JsonResponse
    {
        $body = Body::read($request, WorklistBody::class);
        $row = Preparation::step($project, "Worklist {$body->name}", static function (
            Preparation $step,
        ) use ($project, $body, $list): Worklist {
            $row = $project->worklists()->findOrFail($list);
            if ($body->expected !== [] && $body->expected !== $row->point_ids) {
                throw new \DomainException(
                    'This worklist was changed elsewhere meanwhile. It is shown as it is now; make your change again.',
                );
            }
            $step->update(
                $row, ['name' => self::free($project, $body->name, $list), 'point_ids' => self::known($project, $body->pointIds)],
            );

            return $row;
        });

        return new JsonResponse(WorklistResource::of($row));
    }

    #[Post('/projects/{project}/worklists/{list}/skipping', 'Leaves a point of a worklist out for now, or takes it up again', SkipBody::class, WorklistResource::class)]
    public function skip(Request $request, Project $project, int $list): JsonResponse
    {
        $body = Body::read($request, SkipBody::class);
        $row = DB::transaction(static function () use ($project, $body, $list): Worklist {
            $row = $project->worklists()->findOrFail($list);
            $others = array_values(array_diff($row->skipped, [$body->pointId]));
            // Done in the field: it is no preparation, and undo does not go over it.
            $row->update(
                ['skipped' => $body->skipped && in_array($body->pointId, $row->point_ids, true) ? [...$others, $body->pointId] : $others],
            );
            $project->changed();

            return $row;
        });

        return new JsonResponse(WorklistResource::of($row));
    }

    #[Delete('/projects/{project}/worklists/{list}', 'Deletes a worklist; its points stay')]
    public function destroy(Project $project, int $list): JsonResponse
    {
        $row = $project->worklists()->findOrFail($list);
        Preparation::step($project, "Deleted worklist {$row->name}", static fn (Preparation $step) => $step->delete($row));

        return new JsonResponse(null, 204);
    }

    #[Post('/projects/{project}/worklists/{list}/sheet', 'Prints a worklist for the field as PDF; fetch it as a report when the task '
        .'is done', null, TaskResource::class)]
    public function sheet(Project $project, int $list, StartTask $start): JsonResponse
    {
        return new JsonResponse(
            TaskResource::of($start($project, TaskKind::WorklistSheet, ['worklistId' => $project->worklists()->findOrFail($list)->id])),
        );
    }

    #[Post('/projects/{project}/walk', 'Puts points in the order in which one walks over them; stores nothing', WalkWanted::class, WalkFound::class)]
    public function walk(Request $request, Project $project, WalkOver $walk): JsonResponse
    {
        return new JsonResponse($walk($project, Body::read($request, WalkWanted::class)));
    }

    private static function free(Project $project, string $name, ?int $except): string
    {
        $name = PointName::checked($name);
        if ($project->worklists()->where('name', $name)->whereKeyNot($except)->exists()) {
            throw new \DomainException("There is a worklist “{$name}” already. Choose another name.");
        }

        return $name;
    }

    /**
     * Each once, and only points of this project.
     *
     * @param  list<int>  $ids
     * @return list<int>
     */
    private static function known(Project $project, array $ids): array
    {
        $known = array_flip($project->points()->toBase()->pluck('id')->all());

        return array_values(array_filter(array_unique($ids), static fn (int $id) => isset($known[$id])));
    }
}
