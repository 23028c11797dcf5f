<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Models\Project;
use App\Models\Task;
use App\Reports\DeviationDrawing;
use App\Reports\Report;
use Dompdf\Dompdf;
use Dompdf\Options;

/** Prints the report as PDF into the data folder. */
final class PrintReport implements Work
{
    public function __invoke(Task $task, Progress $progress): array
    {
        $project = Project::query()->findOrFail($task->project_id);
        $report = Report::of($project, (string) ($task->input['author'] ?? ''));
        $html = view('report', ['report' => $report, 'units' => $project->units(), 'drawing' => DeviationDrawing::svg($report->rows, $project->length_style)])->render();
        $folder = config()->string('parlay.data').'/reports';
        @mkdir($folder, 0o755, true);
        // Nothing is fetched: the page holds its drawing, and remote addresses stay off.
        $pdf = new Dompdf(new Options(['isRemoteEnabled' => false, 'defaultFont' => 'DejaVu Sans', 'fontCache' => $folder, 'tempDir' => $folder]));
        $pdf->loadHtml($html, 'UTF-8');
        $pdf->setPaper('A4');
        $pdf->render();
        $canvas = $pdf->getCanvas();
        $font = $pdf->getFontMetrics()->getFont('DejaVu Sans');
        $canvas->page_text(36, 806, "Parlay · {$project->name} · page {PAGE_NUM} of {PAGE_COUNT}", $font, 7);
        file_put_contents(self::path($task), $pdf->output());

        return ['file' => "/api/v1/projects/{$project->id}/reports/{$task->id}.pdf"];
    }

    public static function path(Task $task): string
    {
        return config()->string('parlay.data')."/reports/report-{$task->id}.pdf";
    }
}
