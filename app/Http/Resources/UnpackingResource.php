<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A packed project on its way in: the number it will have, and the task that brings it. */
#[OA\Schema]
final readonly class UnpackingResource
{
    public function __construct(
        public int $projectId,
        public TaskResource $task,
    ) {}
}
