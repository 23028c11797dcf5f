<?php

declare(strict_types=1);

namespace Tests\Feature\Designs;

use App\Projects\Models\Project;

/** Drawings and models on their way in, as the interface sends them. */
trait TakesDrawings
{
    /** @return array<string, mixed> */
    private function inspected(Project $project, string $upload): array
    {
        $task = $this->ask('POST', "/projects/{$project->id}/drawing-inspection", ['upload' => $upload])->assertOk()->json('id');

        return $this->ask('GET', "/projects/{$project->id}/tasks/$task")->assertJson(['state' => 'done'])->json('result');
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array<string, mixed>
     */
    private function taking(Project $project, string $upload, array $body): array
    {
        $task = $this
            ->ask('POST', "/projects/{$project->id}/designs", ['upload' => $upload, 'name' => 'Hall', 'heights' => 'dropped', ...$body])
            ->assertOk()
            ->json('id');

        return $this->ask('GET', "/projects/{$project->id}/tasks/$task")->json();
    }

    /** @param  array<string, mixed>  $body */
    private function take(Project $project, string $upload, array $body): int
    {
        $task = $this->taking($project, $upload, $body);
        self::assertSame('done', $task['state'], (string) $task['error']);

        return $task['result']['designId'];
    }

    /** @return list<array<string, mixed>> */
    private function designs(Project $project): array
    {
        return $this->ask('GET', "/projects/{$project->id}/designs")->json();
    }
}
