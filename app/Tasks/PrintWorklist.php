<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Models\Project;
use App\Models\StakeoutPoint;
use App\Models\Task;
use App\Reports\Figures;
use App\Reports\Pdf;
use App\Reports\WalkDrawing;

/** Prints a worklist for the field: names, coordinates and a sketch of the walk. */
final class PrintWorklist implements Work
{
    public function __invoke(Task $task, Progress $progress): array
    {
        $project = Project::query()->findOrFail($task->project_id);
        $list = $project->worklists()->findOrFail((int) $task->input['worklistId']);
        $rank = array_flip($list->point_ids);
        $points = $project->points()->whereIn('id', array_slice($list->point_ids, 0, 5000))->get()->sortBy(static fn (StakeoutPoint $p) => $rank[$p->id])->values();
        $done = array_flip($project->marks()->where('kind', 'stake')->distinct()->pluck('point_id')->filter()->all());
        $control = $project->controlPoints()->orderBy('name')->get();
        $html = view('worklist', [
            'project' => $project, 'list' => $list, 'points' => $points, 'control' => $control, 'done' => $done, 'figures' => new Figures($project->units()),
            'drawing' => WalkDrawing::svg($points, $control),
        ])->render();
        Pdf::write($html, "{$project->name} · {$list->name}", PrintReport::path($task));

        return ['file' => "/api/v1/projects/{$project->id}/reports/{$task->id}.pdf"];
    }
}
