<?php

declare(strict_types=1);

namespace App\Packing\Tasks;

use App\Packing\Actions\UnpackProject;
use App\Projects\Models\Project;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\Work;

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
