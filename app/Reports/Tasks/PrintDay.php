<?php

declare(strict_types=1);

namespace App\Reports\Tasks;

use App\PrintZone;
use App\Projects\Models\Project;
use App\Reports\Column;
use App\Reports\DaySheet;
use App\Reports\DaySheetWanted;
use App\Reports\Figures;
use App\Reports\LongTable;
use App\Reports\Pdf;
use App\Reports\ReportRow;
use App\Reports\ToDo;
use App\Stakeout\CheckShots;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\Work;
use App\Typed\Values;

/** Prints the foreman's sheet of a day. */
final class PrintDay implements Work
{
    public function __invoke(Task $task, Progress $progress): array
    {
        $project = Project::query()->findOrFail($task->project_id);
        $wanted = Values::of($task->input ?? [], DaySheetWanted::class);
        $day = DaySheet::of($project, $wanted);
        $figures = new Figures($project->units(), PrintZone::named($wanted->zone));
        $html = view('day', ['day' => $day, 'wanted' => $wanted, 'figures' => $figures, 'due' => CheckShots::of($project)->due, 'todo' => new ToDo($figures)])->render();
        Pdf::write($html, "{$project->name} · {$wanted->day}", PrintReport::path($task), $progress, $day->report->letterhead, [
            ...($day->isShort() || $day->out === [] ? [] : [self::out($day, new ToDo($figures))]), ...($day->isShort() || $day->open === [] ? [] : [self::open($day)]),
        ]);

        return ['file' => "/api/v1/projects/{$project->id}/reports/{$task->id}.pdf"];
    }

    private static function out(DaySheet $day, ToDo $todo): LongTable
    {
        return new LongTable('To be put right', [new Column([''], 0.05, true), new Column(['name'], 0.2, bold: true), new Column(['code'], 0.13), new Column(['what to do'], 0.62)],
            array_map(static fn (ReportRow $r): array => ['cells' => [[''], [$r->mark->name], [$r->mark->code], [$todo->about($r)]]], $day->out), boxes: true);
    }

    private static function open(DaySheet $day): LongTable
    {
        $rows = [];
        foreach ($day->open as $code => $names) {
            $rows[] = ['cells' => [[(string) $code === '' ? 'without a code' : (string) $code], [(string) count($names)], [implode(', ', $names)]]];
        }

        return new LongTable('Still to be staked', [new Column(['code'], 0.17, bold: true), new Column(['points'], 0.08, true), new Column(['names'], 0.75)], $rows);
    }
}
