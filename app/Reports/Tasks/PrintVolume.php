<?php

declare(strict_types=1);

namespace App\Reports\Tasks;

use App\Civil\Actions\FindVolume;
use App\Civil\EndArea;
use App\Civil\VolumeFound;
use App\Civil\VolumeToPrint;
use App\Clock;
use App\Points\Models\Code;
use App\PrintZone;
use App\Projects\Models\Project;
use App\Reports\Column;
use App\Reports\Figures;
use App\Reports\LongTable;
use App\Reports\Models\Letterhead;
use App\Reports\Pdf;
use App\Reports\VolumeDrawing;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\Work;
use App\Typed\Values;

/** Prints a volume, worked out anew so that its figures and its drawing are of the same surfaces: in three ways, from above, its sections. */
final class PrintVolume implements Work
{
    public function __invoke(Task $task, Progress $progress): array
    {
        $project = Project::query()->findOrFail($task->project_id);
        $body = Values::of($task->input, VolumeToPrint::class);
        $progress->tell(0.02, 'laying the surfaces over each other');
        $sides = FindVolume::sides($project, $body->volume);
        $found = FindVolume::worked($project, $body->volume, $sides);
        $figures = new Figures($project->units(), PrintZone::named($body->zone));
        $html = view('volume', [
            'project' => $project, 'found' => $found, 'at' => Clock::stamp(), 'figures' => $figures,
            'drawing' => VolumeDrawing::of($sides->first, $sides->against, Code::toleranceOf($project)->height, $found->outline, $project->units()->length),
        ])->render();
        Pdf::write(
            $html, "{$project->name} · volume, {$found->of}", PrintReport::path($task), $progress, Letterhead::in($project),
            $found->sections === [] ? [] : [self::sections($found, $figures)],
        );

        return ['file' => "/api/v1/projects/{$project->id}/reports/{$task->id}.pdf"];
    }

    private static function sections(VolumeFound $found, Figures $f): LongTable
    {
        $rows = array_map(static fn (EndArea $s): array => ['cells' => [[$s->station], [$f->area($s->cut)], [$f->area($s->fill)]]], $found->sections);

        return new LongTable('Areas across the alignment', [
            new Column(['station'], 0.3, true, true), new Column(['cut'], 0.35, true), new Column(['fill'], 0.35, true),
        ], $rows);
    }
}
