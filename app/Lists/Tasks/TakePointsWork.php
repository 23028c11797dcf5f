<?php

declare(strict_types=1);

namespace App\Lists\Tasks;

use App\Lists\Actions\TakePoints;
use App\Lists\PointsToTake;
use App\Projects\Models\Project;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\Work;
use App\Typed\Values;

/** Takes a list too long to be taken within a request. */
final class TakePointsWork implements Work
{
    public function __construct(private readonly TakePoints $take) {}

    public function __invoke(Task $task, Progress $progress): array
    {
        return ['count' => ($this->take)(
            Project::query()->findOrFail($task->project_id), Values::of($task->input, PointsToTake::class), $progress,
        )];
    }
}
