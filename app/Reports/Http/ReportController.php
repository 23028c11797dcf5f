<?php

declare(strict_types=1);

namespace App\Reports\Http;

use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Projects\Models\Project;
use App\Reports\Report;
use App\Reports\ReportCsv;
use App\Reports\Tasks\PrintReport;
use App\Tasks\Http\TaskResource;
use App\Tasks\Models\Task;
use App\Tasks\StartTask;
use App\Tasks\TaskKind;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

final class ReportController
{
    #[Post('/projects/{project}/reports', 'Prints the report as PDF; fetch it when the task is done', ReportBody::class, TaskResource::class)]
    public function store(Request $request, Project $project, StartTask $start): JsonResponse
    {
        return new JsonResponse(TaskResource::of($start($project, TaskKind::Report, (array) Body::read($request, ReportBody::class))));
    }

    #[Get('/projects/{project}/reports/{task}.pdf', 'A printed report', media: 'application/pdf')]
    public function pdf(Project $project, int $task): BinaryFileResponse
    {
        $row = Task::query()->where('project_id', $project->id)
            ->whereIn('kind', TaskKind::SHEETS)
            ->where('state', 'done')
            ->findOrFail($task);

        return new BinaryFileResponse(
            PrintReport::path($row), 200,
            ['Content-Type' => 'application/pdf', 'Content-Disposition' => 'inline; filename="'.self::fileName($project).'.pdf"'],
        );
    }

    #[Get('/projects/{project}/report.csv', 'The report’s table for a spreadsheet', media: 'text/csv')]
    public function csv(Project $project): StreamedResponse
    {
        return new StreamedResponse(static function () use ($project): void {
            $out = fopen('php://output', 'wb') ?: throw new \RuntimeException('No output.');
            ReportCsv::write(Report::of($project, ''), $out);
        }, 200,
            [
                'Content-Type' => 'text/csv; charset=UTF-8',
                'Content-Disposition' => 'attachment; filename="'.self::fileName($project).'.csv"',
            ]);
    }

    private static function fileName(Project $project): string
    {
        return Str::slug($project->name) ?: 'report';
    }
}
