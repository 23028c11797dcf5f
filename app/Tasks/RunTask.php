<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Database\Trouble;
use App\NeedsConfirmation;
use App\Projects\Models\Project;
use App\Tasks\Models\Task;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Queue\Queueable;

/** Carries out a task in the worker process and writes down what came of it. */
final class RunTask implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public int $timeout = 600;

    public function __construct(public readonly int $taskId) {}

    public function handle(): void
    {
        $task = Task::query()->findOrFail($this->taskId);
        if ($task->state !== 'waiting') {
            return;
        }
        // Only one worker takes it.
        if (Task::query()->whereKey($task->id)
            ->where('state', 'waiting')
            ->update(['state' => 'running', 'worker' => config()->string('parlay.worker')]) === 0) {
            return;
        }
        $task->refresh();
        try {
            $work = app(app(Works::class)->of(TaskKind::from($task->kind)));
            $task->update(['result' => $work($task, new Progress($task->id)), 'state' => 'done']);
        } catch (NeedsConfirmation $e) {
            $task->update(['state' => 'asks', 'error' => $e->getMessage(), 'result' => ['reason' => $e->reason] + $e->evidence]);
        } catch (Cancelled $e) {
            $task->update(['state' => 'cancelled', 'error' => $e->getMessage()]);
        } catch (QueryException $e) {
            $sentence = Trouble::said($e) ?? throw $e;
            $task->update(['state' => 'failed', 'error' => $sentence]);
        } catch (\DomainException $e) {
            $task->update(['state' => 'failed', 'error' => $e->getMessage()]);
        }
        Project::query()->withoutGlobalScopes()->findOrFail($task->project_id)->changed();
    }

    public function failed(): void
    {
        Task::query()->where('id', $this->taskId)
            ->whereIn('state', ['waiting', 'running'])
            ->update(['state' => 'failed', 'error' => 'Something failed inside Parlay; nothing was stored. Try again.']);
    }
}
