<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Actions\PreviewPoints;
use App\Http\Bodies\PreviewBody;
use App\Http\Body;
use App\Models\Project;
use App\Models\Task;

/** The preview of a file too long to be read within a request. */
final class PreviewPointsWork implements Work
{
    public function __construct(private readonly PreviewPoints $preview) {}

    public function __invoke(Task $task, Progress $progress): array
    {
        $progress->tell(0.1, 'reading the points');

        return (array) ($this->preview)(Project::query()->findOrFail($task->project_id), Body::restore($task->input, PreviewBody::class));
    }
}
