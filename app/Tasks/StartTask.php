<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Clock;
use App\Projects\Models\Project;
use App\Tasks\Models\Task;
use Illuminate\Support\Facades\DB;

final class StartTask
{
    /** @param  array<string, mixed>  $input */
    public function __invoke(Project $project, TaskKind $kind, array $input): Task
    {
        return DB::transaction(static function () use ($project, $kind, $input): Task {
            $task = Task::query()->create([
                'project_id' => $project->id, 'kind' => $kind->value, 'state' => 'waiting', 'input' => $input, 'result' => null,
                'error' => null, 'created_at' => Clock::stamp(),
            ]);
            RunTask::dispatch($task->id);

            return $task;
        });
    }

    /** What a killed worker was at will not come back by itself; what waited behind it is done next. */
    public static function giveUpLeftovers(string $worker): void
    {
        foreach (Task::query()->where('state', 'running')->whereIn('worker', [$worker, ''])->pluck('id') as $id) {
            Task::query()->whereKey($id)->update(
                ['state' => 'failed', 'error' => 'Parlay was stopped while this was being done. Nothing of it was stored; start it again.'],
            );
            DB::table('jobs')->whereNotNull('reserved_at')->where('payload', 'like', '%taskId%i:'.$id.';%')->delete();
        }
        // Taken by one that was killed before it could say so: it waits its turn again. Where the other worker has just taken it, only one of both does it.
        foreach (Task::query()->where('state', 'waiting')->pluck('id') as $id) {
            DB::table('jobs')->whereNotNull('reserved_at')->where('payload', 'like', '%taskId%i:'.$id.';%')->update(['reserved_at' => null, 'attempts' => 0]);
        }
    }
}
