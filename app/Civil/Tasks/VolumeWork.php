<?php

declare(strict_types=1);

namespace App\Civil\Tasks;

use App\Civil\Actions\FindVolume;
use App\Civil\VolumeWanted;
use App\Projects\Models\Project;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\Work;
use App\Typed\Values;

/** Works out a volume beside the requests: of large surfaces it takes seconds. */
final class VolumeWork implements Work
{
    public function __invoke(Task $task, Progress $progress): array
    {
        $progress->tell(0.1, 'laying the surfaces over each other');

        return (array) (new FindVolume)(Project::query()->findOrFail($task->project_id), Values::of($task->input, VolumeWanted::class));
    }
}
