<?php

declare(strict_types=1);

namespace App\Projects\Http;

use App\Tasks\Http\TaskResource;

/** A packed project on its way in: the number it will have, and the task that brings it. */
final readonly class UnpackingResource
{
    public function __construct(
        public int $projectId,
        public TaskResource $task,
    ) {}
}
