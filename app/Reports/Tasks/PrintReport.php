<?php

declare(strict_types=1);

namespace App\Reports\Tasks;

use App\PrintZone;
use App\Projects\Models\Project;
use App\Reports\Actions\IssueReport;
use App\Reports\DesignUnderlay;
use App\Reports\DeviationDrawing;
use App\Reports\Figures;
use App\Reports\GrowthDrawing;
use App\Reports\IssueCounts;
use App\Reports\IssuedFigures;
use App\Reports\IssueEntry;
use App\Reports\Models\ReportIssue;
use App\Reports\Pdf;
use App\Reports\PhotographPages;
use App\Reports\Report;
use App\Reports\ReportTables;
use App\Reports\ReportWanted;
use App\Reports\ScatterDrawing;
use App\Reports\Stamp;
use App\Reports\TraceTable;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\Work;
use App\Typed\Values;
use Parlay\Core\Reports\MarkChange;

/** Issues the report: its figures are frozen under a number, and printed as PDF into the data folder. */
final class PrintReport implements Work
{
    /** More than these stand behind the first pages, in tables that may be long. */
    public const SETUPS_ON_THE_SHEET = 12;

    public const CHECKS_ON_THE_SHEET = 40;

    public const CONTROL_ON_THE_SHEET = 20;

    public function __invoke(Task $task, Progress $progress): array
    {
        $project = Project::query()->findOrFail($task->project_id);
        $wanted = Values::of($task->input ?? [], ReportWanted::class);
        $path = self::path($task);
        $issue = (new IssueReport)($task, Report::of($project, $wanted), static function (Report $report, IssuedFigures $issued, Stamp $stamp, ?ReportIssue $former, array $changes) use ($path, $progress): string {
            self::print($report, $issued, $stamp, $former, $changes, $path, $progress);

            return $path;
        });

        $project->measured();

        return ['file' => IssueEntry::of($issue)->file, 'number' => $issue->number];
    }

    /** @param  list<MarkChange>  $changes  against the former one of its name */
    public static function print(Report $report, IssuedFigures $issued, Stamp $stamp, ?ReportIssue $former, array $changes, string $path, Progress $progress): void
    {
        $project = $report->project;
        $figures = new Figures($project->units(), PrintZone::named($report->wanted->zone));
        $tables = new ReportTables($report, $figures, $progress);
        $html = view('report', [
            'tables' => $tables, 'control' => $control = $report->control(), 'instruments' => $report->instruments(),
            'report' => $report, 'figures' => $figures, 'stamp' => $stamp, 'former' => $former, 'changes' => count($changes), 'counts' => IssueCounts::of($report),
            'turned' => count(array_filter($changes, static fn (MarkChange $c): bool => $c->isTurned())),
            'scatter' => ScatterDrawing::svg($report->counting(), $project->length_style), 'common' => $issued->head['common'], 'growth' => GrowthDrawing::svg($report->counting(), $project->length_style),
            'drawing' => DeviationDrawing::svg($report->counting(), $project->length_style, new DesignUnderlay($project)),
        ])->render();
        $built = $report->built();
        $behind = $report->setups->slice(self::SETUPS_ON_THE_SHEET);
        Pdf::write($html, $project->name, $path, $progress, $report->letterhead, [
            ...($changes === [] || $former === null ? [] : [$tables->changes($former, $changes)]),
            ...($behind->isEmpty() ? [] : [$tables->setups($behind)]),
            ...($control->count() > self::CONTROL_ON_THE_SHEET ? [$tables->control($control)] : []),
            ...(count($report->checks) > self::CHECKS_ON_THE_SHEET ? [$tables->checks()] : []),
            $tables->marks(),
            ...($built === [] ? [] : [$tables->built($built)]),
            ...($issued->corrections() === [] ? [] : [$tables->corrections($issued->corrections())]),
            (new TraceTable($report, $figures, $progress))->table(),
        ], ['Surveyor, date', 'Checked by, date', 'Client, date'], $stamp, PhotographPages::of($report, $figures));
    }

    public static function path(Task $task): string
    {
        return self::pathOf($task->id);
    }

    /** @param  int  $task  that printed it */
    public static function pathOf(int $task): string
    {
        return config()->string('parlay.data')."/reports/report-$task.pdf";
    }
}
