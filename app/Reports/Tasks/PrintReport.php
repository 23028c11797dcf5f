<?php

declare(strict_types=1);

namespace App\Reports\Tasks;

use App\PrintZone;
use App\Projects\Models\Project;
use App\Reports\DeviationDrawing;
use App\Reports\Figures;
use App\Reports\Pdf;
use App\Reports\Report;
use App\Reports\ReportTables;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\Work;

/** Prints the report as PDF into the data folder. */
final class PrintReport implements Work
{
    /** More than these stand behind the first pages, in tables that may be long. */
    public const SETUPS_ON_THE_SHEET = 12;

    public const CHECKS_ON_THE_SHEET = 40;

    public function __invoke(Task $task, Progress $progress): array
    {
        $project = Project::query()->findOrFail($task->project_id);
        $report = Report::of($project, (string) ($task->input['author'] ?? ''));
        $figures = new Figures($project->units(), PrintZone::named((string) ($task->input['zone'] ?? 'UTC')));
        $html = view(
            'report',
            ['report' => $report, 'figures' => $figures, 'drawing' => DeviationDrawing::svg($report->counting(), $project->length_style)],
        )->render();
        $tables = new ReportTables($report, $figures, $progress);
        $behind = $report->setups->slice(self::SETUPS_ON_THE_SHEET);
        Pdf::write($html, $project->name, self::path($task), $progress, [
            ...($behind->isEmpty() ? [] : [$tables->setups($behind)]),
            ...(count($report->checks) > self::CHECKS_ON_THE_SHEET ? [$tables->checks()] : []),
            $tables->marks(),
        ], ['Surveyor, date', 'Checked by, date', 'Client, date']);

        return ['file' => "/api/v1/projects/{$project->id}/reports/{$task->id}.pdf"];
    }

    public static function path(Task $task): string
    {
        return config()->string('parlay.data')."/reports/report-{$task->id}.pdf";
    }
}
