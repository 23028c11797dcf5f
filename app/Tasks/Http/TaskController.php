<?php

declare(strict_types=1);

namespace App\Tasks\Http;

use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use Illuminate\Http\JsonResponse;

/** Longer work: how it stands, and stopping it. */
final class TaskController
{
    #[Get('/projects/{project}/tasks/{task}', 'How a piece of longer work stands', TaskResource::class)]
    public function show(int $project, int $task): JsonResponse
    {
        return new JsonResponse(TaskResource::of(Task::query()->where('project_id', $project)->findOrFail($task)));
    }

    #[Post('/projects/{project}/tasks/{task}/cancel', 'Asks a piece of longer work to stop; nothing of it is stored', null, TaskResource::class)]
    public function cancel(int $project, int $task): JsonResponse
    {
        $row = Task::query()->where('project_id', $project)->findOrFail($task);
        Progress::cancel($row->id);
        // What nobody has taken yet is stopped at once; whoever takes it now finds that it waits no more.
        Task::query()->whereKey($row->id)->where('state', 'waiting')
            ->update(['state' => 'cancelled', 'error' => 'Stopped, as you asked. Nothing of it was stored.']);

        return new JsonResponse(TaskResource::of($row->refresh()));
    }
}
