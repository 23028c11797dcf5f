<?php

declare(strict_types=1);

namespace App\Lists\Tasks;

use App\Lists\Actions\PreviewPoints;
use App\Lists\PointsToPreview;
use App\Projects\Models\Project;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\Work;
use App\Typed\Values;

/** The preview of a file too long to be read within a request. */
final class PreviewPointsWork implements Work
{
    public function __construct(private readonly PreviewPoints $preview) {}

    public function __invoke(Task $task, Progress $progress): array
    {
        $progress->tell(0.1, 'reading the points');

        return (array) ($this->preview)(Project::query()->findOrFail($task->project_id), Values::of($task->input, PointsToPreview::class));
    }
}
