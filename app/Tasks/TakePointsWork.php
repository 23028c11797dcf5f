<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Actions\TakePoints;
use App\Http\Bodies\PointsImportBody;
use App\Http\Body;
use App\Models\Project;
use App\Models\Task;

/** Takes a list too long to be taken within a request. */
final class TakePointsWork implements Work
{
    public function __construct(private readonly TakePoints $take) {}

    public function __invoke(Task $task, Progress $progress): array
    {
        return ['count' => ($this->take)(Project::query()->findOrFail($task->project_id), Body::restore($task->input, PointsImportBody::class), $progress)];
    }
}
