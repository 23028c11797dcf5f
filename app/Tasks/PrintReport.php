<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Models\Project;
use App\Models\Task;
use App\Reports\DeviationDrawing;
use App\Reports\Figures;
use App\Reports\Pdf;
use App\Reports\Report;

/** Prints the report as PDF into the data folder. */
final class PrintReport implements Work
{
    public function __invoke(Task $task, Progress $progress): array
    {
        $project = Project::query()->findOrFail($task->project_id);
        $report = Report::of($project, (string) ($task->input['author'] ?? ''));
        $html = view('report', ['report' => $report, 'figures' => new Figures($project->units()), 'drawing' => DeviationDrawing::svg($report->rows, $project->length_style)])->render();
        Pdf::write($html, $project->name, self::path($task));

        return ['file' => "/api/v1/projects/{$project->id}/reports/{$task->id}.pdf"];
    }

    public static function path(Task $task): string
    {
        return config()->string('parlay.data')."/reports/report-{$task->id}.pdf";
    }
}
