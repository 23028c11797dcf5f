<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Actions\UnpackProject;
use App\Models\Project;
use App\Models\Task;

/** Brings a packed project in. */
final class UnpackWork implements Work
{
    public function __construct(private readonly UnpackProject $unpack) {}

    public function __invoke(Task $task, Progress $progress): array
    {
        $project = Project::query()->withoutGlobalScopes()->findOrFail($task->project_id);

        return ['projectId' => ($this->unpack)($project, (string) $task->input['upload'], $progress)->id];
    }
}
