<?php

declare(strict_types=1);

namespace App\Reports\Actions;

use App\Database\Bytes;
use App\Projects\Models\Project;
use App\Reports\IssueCounts;
use App\Reports\IssuedFigures;
use App\Reports\Models\ReportIssue;
use App\Reports\Report;
use App\Reports\Stamp;
use App\Tasks\Models\Task;
use Illuminate\Database\UniqueConstraintViolationException;
use Parlay\Core\Reports\MarkChange;

/** Freezes the figures of a report under a number of its own, and prints it. The row comes last: what was not written whole was not issued. */
final class IssueReport
{
    /** Another may have taken the number meanwhile. */
    private const TRIES = 5;

    /** @param  \Closure(Report, IssuedFigures, Stamp, ReportIssue|null, list<MarkChange>): string  $print  writes the file, and gives its path */
    public function __invoke(Task $task, Report $report, \Closure $print): ReportIssue
    {
        $issued = ReportIssue::query()->where('task_id', $task->id)->first();
        if ($issued !== null) {
            return $issued;
        }
        $figures = IssuedFigures::of($report);
        $json = $figures->json();
        for ($try = 1; ; $try++) {
            $number = 1 + (int) ReportIssue::of($report->project)->max('number');
            $stamp = new Stamp($number, hash('sha256', "report $number\n$json"), $report->at);
            $former = self::former($report->project, $report->wanted->name);
            $file = $print($report, $figures, $stamp, $former, $former === null ? [] : MarkChange::between($former->marks(), $figures->marks));
            try {
                return ReportIssue::query()->create([
                    'project_id' => $report->project->id, 'task_id' => $task->id, 'number' => $number, 'name' => $report->wanted->name,
                    'author' => $report->wanted->author, 'at' => $report->at, 'zone' => $report->wanted->zone, 'scope' => (array) $report->wanted->scope,
                    'counts' => (array) IssueCounts::of($report), 'figures' => Bytes::stream((string) gzdeflate($json)), 'checksum' => $stamp->checksum,
                    'file_checksum' => (string) hash_file('sha256', $file),
                ]);
            } catch (UniqueConstraintViolationException $e) {
                if ($try === self::TRIES) {
                    throw $e;
                }
            }
        }
    }

    /** The last one of that name: what changed is told against it. */
    private static function former(Project $project, string $name): ?ReportIssue
    {
        return ReportIssue::of($project)->where('name', $name)->orderByDesc('number')->first();
    }
}
