<?php

declare(strict_types=1);

namespace App\Reports\Http;

use App\Http\Body;
use App\Http\FileOut;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\Page;
use App\Projects\Models\Project;
use App\Reports\CorrectionEntry;
use App\Reports\Corrections;
use App\Reports\DaySheetWanted;
use App\Reports\IssueChange;
use App\Reports\IssuedFigures;
use App\Reports\IssueEntry;
use App\Reports\LayoutQuery;
use App\Reports\Models\ReportIssue;
use App\Reports\Models\TableLayout;
use App\Reports\Report;
use App\Reports\ReportCsv;
use App\Reports\ReportFile;
use App\Reports\ReportFileWanted;
use App\Reports\ReportScope;
use App\Reports\ReportWanted;
use App\Reports\Stamp;
use App\Reports\TableColumns;
use App\Reports\Tasks\PrintReport;
use App\Tasks\Http\TaskResource;
use App\Tasks\Models\Task;
use App\Tasks\StartTask;
use App\Tasks\TaskKind;
use App\Typed\Values;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Parlay\Core\Reports\MarkChange;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

final class ReportController
{
    #[Post('/projects/{project}/reports', 'Issues a report: its figures are frozen under a number and printed as PDF; fetch it when the task is done', ReportWanted::class, TaskResource::class)]
    public function store(Request $request, Project $project, StartTask $start): JsonResponse
    {
        $wanted = Body::read($request, ReportWanted::class);

        return new JsonResponse(TaskResource::of($start($project, TaskKind::Report, ['scope' => (array) $wanted->scope] + (array) $wanted)));
    }

    #[Post('/projects/{project}/day-sheet', 'Prints the foreman’s sheet of a day as PDF: done, out and what to do, still open; fetch it as a report when the task is done', DaySheetWanted::class, TaskResource::class)]
    public function daySheet(Request $request, Project $project, StartTask $start): JsonResponse
    {
        return new JsonResponse(TaskResource::of($start($project, TaskKind::DaySheet, (array) Body::read($request, DaySheetWanted::class))));
    }

    #[Get('/projects/{project}/report-issues', 'Reports that were issued, the first one first', IssueEntry::class, list: true, query: Page::class)]
    public function issues(Request $request, Project $project): JsonResponse
    {
        $page = Page::of($request);
        $rows = $page->narrow(ReportIssue::of($project)->select(['id', 'project_id', 'number', 'name', 'author', 'at', 'scope', 'counts', 'checksum']))->get();

        return $page->answer($request, $rows->map(IssueEntry::of(...))->all(), $rows->last()?->id);
    }

    #[Get('/projects/{project}/report-issues/{number}.pdf', 'An issued report', media: 'application/pdf')]
    public function issue(Project $project, int $number): BinaryFileResponse
    {
        $issue = self::issued($project, $number);
        $path = PrintReport::path(Task::query()->findOrFail($issue->task_id));
        if (! is_file($path) || ! hash_equals($issue->file_checksum, (string) hash_file('sha256', $path))) {
            throw new \DomainException(
                "The file of report $number in the data folder is gone, or is not the one that was issued. Its figures are kept: take its table (CSV), or print a new one.",
            );
        }

        return self::sheet($project, $path);
    }

    #[Get('/projects/{project}/report-issues/{number}.csv', 'The table of an issued report, as it was', query: LayoutQuery::class, media: 'text/csv')]
    public function table(Request $request, Project $project, int $number): Response
    {
        $layout = self::layout($request, $project);
        $table = self::issued($project, $number)->figures()->table;

        return new Response($layout === null ? $table : TableColumns::of($table, $layout->names()), 200, FileOut::headers(self::fileName($project)."-report-$number.csv", FileOut::CSV));
    }

    #[Get('/projects/{project}/report-issues/{number}/changes', 'Marks that would be told otherwise today than in an issued report', IssueChange::class, list: true, query: Page::class)]
    public function changes(Request $request, Project $project, int $number): JsonResponse
    {
        $issue = self::issued($project, $number);
        $today = Report::of($project, new ReportWanted($issue->author, $issue->zone, $issue->name, Values::of($issue->scope, ReportScope::class)));
        $changes = MarkChange::between($issue->marks(), IssuedFigures::marksOf($today));
        $page = Page::of($request);
        $ids = $page->cut(array_keys($changes));

        return $page->answer($request, array_map(static fn (int $i) => IssueChange::of($changes[$i]), $ids), $ids === [] ? null : $ids[count($ids) - 1]);
    }

    #[Get('/projects/{project}/report-issues/{number}/file', 'The marks of an issued report as HTML, DXF with arrows, GeoJSON, BCF topics or IFC, as they were', query: ReportFileWanted::class, media: 'application/octet-stream')]
    public function file(Request $request, Project $project, int $number): StreamedResponse
    {
        $issue = self::issued($project, $number);

        return self::written(new ReportFile($project, $issue->figures(), new Stamp($number, $issue->checksum, $issue->at), Body::read($request, ReportFileWanted::class)));
    }

    #[Get('/projects/{project}/report-file', 'All marks that count as HTML, DXF with arrows, GeoJSON, BCF topics or IFC, as they are today', query: ReportFileWanted::class, media: 'application/octet-stream')]
    public function fileOfToday(Request $request, Project $project): StreamedResponse
    {
        $wanted = Body::read($request, ReportFileWanted::class);

        return self::written(new ReportFile($project, IssuedFigures::of(Report::of($project, new ReportWanted(zone: $wanted->zone))), null, $wanted));
    }

    #[Get('/projects/{project}/reports/{task}.pdf', 'A printed sheet', media: 'application/pdf')]
    public function pdf(Project $project, int $task): BinaryFileResponse
    {
        $row = Task::query()->where('project_id', $project->id)
            ->whereIn('kind', TaskKind::SHEETS)
            ->where('state', 'done')
            ->findOrFail($task);

        return self::sheet($project, PrintReport::path($row));
    }

    #[Get('/projects/{project}/corrections', 'All that was put right afterwards, when and why, and which issued reports told it otherwise', CorrectionEntry::class, list: true, query: Page::class)]
    public function corrections(Request $request, Project $project): JsonResponse
    {
        $all = Corrections::of($project);
        $page = Page::of($request);
        $ids = $page->cut(array_keys($all));

        return $page->answer($request, array_map(static fn (int $i): CorrectionEntry => $all[$i], $ids), $ids === [] ? null : $ids[count($ids) - 1]);
    }

    #[Get('/projects/{project}/report.csv', 'The report’s table for a spreadsheet', query: LayoutQuery::class, media: 'text/csv')]
    public function csv(Request $request, Project $project): StreamedResponse
    {
        $layout = self::layout($request, $project);

        return FileOut::csv(static fn ($out) => ReportCsv::writeBy($layout, Report::of($project), $out), self::fileName($project).'.csv');
    }

    private static function layout(Request $request, Project $project): ?TableLayout
    {
        $id = Body::read($request, LayoutQuery::class)->layout;

        return $id === null ? null : TableLayout::of($project)->findOrFail($id);
    }

    private static function written(ReportFile $file): StreamedResponse
    {
        return FileOut::pieces($file->pieces(), $file->name(), $file->type());
    }

    private static function issued(Project $project, int $number): ReportIssue
    {
        return ReportIssue::of($project)->where('number', $number)->firstOrFail();
    }

    private static function sheet(Project $project, string $path): BinaryFileResponse
    {
        return new BinaryFileResponse($path, 200, ['Content-Type' => 'application/pdf', 'Content-Disposition' => 'inline; filename="'.self::fileName($project).'.pdf"']);
    }

    private static function fileName(Project $project): string
    {
        return Str::slug($project->name) ?: 'report';
    }
}
