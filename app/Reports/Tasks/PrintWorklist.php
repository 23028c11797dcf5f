<?php

declare(strict_types=1);

namespace App\Reports\Tasks;

use App\Control\Models\ControlPoint;
use App\Points\Models\StakeoutPoint;
use App\PrintZone;
use App\Projects\Models\Project;
use App\Reports\Column;
use App\Reports\Figures;
use App\Reports\LongTable;
use App\Reports\Models\Letterhead;
use App\Reports\Pdf;
use App\Reports\WalkDrawing;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\Work;
use App\Worklists\Models\Worklist;
use Illuminate\Support\Collection;

/** Prints a worklist for the field: names, coordinates and a sketch of the walk. */
final class PrintWorklist implements Work
{
    public function __invoke(Task $task, Progress $progress): array
    {
        $project = Project::query()->findOrFail($task->project_id);
        $list = Worklist::of($project)->findOrFail((int) $task->input['worklistId']);
        $rank = array_flip($list->point_ids);
        $points = StakeoutPoint::of($project)
            ->whereIntegerInRaw('id', $list->point_ids)
            ->get()
            ->sortBy(static fn (StakeoutPoint $p) => $rank[$p->id])
            ->values();
        $done = StakeoutPoint::stakes($project);
        $control = ControlPoint::of($project)->orderBy('name')->get();
        $html = view('worklist', [
            'project' => $project, 'list' => $list, 'points' => $points,
            'control' => $control, 'done' => $done, 'figures' => new Figures($project->units(), PrintZone::utc()),
            'drawing' => WalkDrawing::svg($points, $control),
        ])->render();
        Pdf::write(
            $html, "{$project->name} · {$list->name}", PrintReport::path($task), $progress, Letterhead::in($project),
            [self::table($points, $done, new Figures($project->units(), PrintZone::utc()), $progress)],
        );

        return ['file' => "/api/v1/projects/{$project->id}/reports/{$task->id}.pdf"];
    }

    /**
     * @param  Collection<int, StakeoutPoint>  $points
     * @param  array<int, int>  $done
     */
    private static function table(Collection $points, array $done, Figures $f, Progress $progress): LongTable
    {
        [$a, $b] = $f->order();
        $rows = static function () use ($points, $done, $f, $progress, $a, $b): \Generator {
            foreach ($points as $i => $p) {
                $progress->tell(0.2 + 0.75 * $i / count($points), 'writing the points');
                yield ['cells' => [
                    [(string) ($i + 1)], [$p->name], [$p->code], [$f->length($p->$a)], [$f->length($p->$b)],
                    [$f->length($p->elevation)], [(isset($done[$p->id]) ? 'done. ' : '').$p->description],
                ]];
            }
        };

        return new LongTable('Points, in the order of the walk', [
            new Column([''], 0.05, true), new Column(['name'], 0.14, bold: true), new Column(['code'], 0.1), new Column(
                [$a], 0.15, true,
            ), new Column([$b], 0.15, true), new Column(['elevation'], 0.12, true), new Column(['description'], 0.29),
        ], $rows(), 'There is no point on this list.', boxes: true);
    }
}
