<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Tasks\Models\Task;

interface Work
{
    /**
     * @return array<string, mixed> what the browser is told
     *
     * @throws \DomainException with a sentence for the person
     */
    public function __invoke(Task $task, Progress $progress): array;
}
