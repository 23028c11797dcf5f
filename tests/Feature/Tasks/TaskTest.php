<?php

declare(strict_types=1);

namespace Tests\Feature\Tasks;

use App\Projects\Models\Project;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\RunTask;
use App\Tasks\StartTask;
use App\Tasks\TaskKind;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Tests\FeatureTestCase;

/** Longer work: it waits its turn, tells how it stands, fails with a reason, and stops when it is asked to. */
final class TaskTest extends FeatureTestCase
{
    private Project $project;

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
    }

    private function waiting(): Task
    {
        Queue::fake();

        return app(StartTask::class)($this->project, TaskKind::Report, ['author' => 'M', 'zone' => 'UTC']);
    }

    private function at(int $task, string $more = ''): string
    {
        return "/projects/{$this->project->id}/tasks/$task$more";
    }

    public function test_what_waits_is_stopped_at_once_and_is_not_done_when_its_turn_comes(): void
    {
        $task = $this->waiting();
        $this->ask('GET', $this->at($task->id))->assertOk()->assertJson(['state' => 'waiting', 'error' => null]);
        $this->ask('POST', $this->at($task->id, '/cancel'))->assertOk()->assertJson(['state' => 'cancelled']);
        app()->call([new RunTask($task->id), 'handle']);
        $stopped = $this->ask('GET', $this->at($task->id))->json();
        self::assertSame(['cancelled', null], [$stopped['state'], $stopped['result']]);
        self::assertStringContainsString('Nothing of it was stored', $stopped['error']);
    }

    public function test_what_is_under_way_stops_at_its_next_look_and_leaves_nothing(): void
    {
        $task = $this->waiting();
        Progress::cancel($task->id);
        app()->call([new RunTask($task->id), 'handle']);
        self::assertSame('cancelled', $task->refresh()->state);
    }

    public function test_a_task_runs_once_however_often_it_is_given_out(): void
    {
        $task = $this->waiting();
        app()->call([new RunTask($task->id), 'handle']);
        $done = $task->refresh()->only(['state', 'error', 'result']);
        self::assertSame('done', $done['state'], (string) $done['error']);
        DB::table('tasks')->where('id', $task->id)->update(['error' => 'seen']);
        app()->call([new RunTask($task->id), 'handle']);
        self::assertSame('seen', $task->refresh()->error, 'nobody does it again');
    }

    public function test_it_is_told_and_stopped_by_its_own_project_only(): void
    {
        $task = $this->waiting();
        $other = $this->project();
        $this->ask('GET', "/projects/{$other->id}/tasks/{$task->id}")->assertStatus(404);
        $this->ask('POST', "/projects/{$other->id}/tasks/{$task->id}/cancel")->assertStatus(404);
        self::assertSame('waiting', $task->refresh()->state);
    }

    public function test_what_a_stopped_worker_left_says_so_and_what_it_had_only_taken_waits_again(): void
    {
        $running = $this->waiting();
        $running->update(['state' => 'running', 'worker' => 'worker-1']);
        $others = $this->waiting();
        $others->update(['state' => 'running', 'worker' => 'worker-2']);
        $waiting = $this->waiting();
        StartTask::giveUpLeftovers('worker-1');
        self::assertSame(['failed', 'running', 'waiting'], [$running->refresh()->state, $others->refresh()->state, $waiting->refresh()->state]);
        self::assertStringContainsString('start it again', (string) $running->error);
    }
}
