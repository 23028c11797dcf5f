<?php

declare(strict_types=1);

namespace App\Designs\Tasks;

use App\Control\Models\ControlPoint;
use App\Control\Models\GridLine;
use App\Designs\FitEntry;
use App\Designs\InspectedLayer;
use App\Designs\Inspection;
use App\Designs\StoreyEntry;
use App\Designs\StrayEntry;
use App\Projects\Uploads;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\Work;
use Parlay\Core\Designs\CleanUp;
use Parlay\Core\Designs\Drawing;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\StrayGeometry;
use Parlay\Core\Fit\ControlFit;
use Parlay\Core\Fit\FitSearch;
use Parlay\Core\Fit\GridSpots;
use Parlay\Core\Fit\Mark;
use Parlay\Core\Fit\Spots;
use Parlay\Core\Formats\DrawingFile;
use Parlay\Core\Formats\Dxf\ReadOptions;
use Parlay\Core\Formats\Dxf\UnreadableDrawing;

/** Reads a drawing through and tells what is in it and how it fits the control; stores nothing of it. */
final class InspectDrawing implements Work
{
    public function __invoke(Task $task, Progress $progress): array
    {
        $upload = $task->input['upload'];
        [$drawing, $damage] = self::read($upload, $progress);
        $progress->tell(0.7, 'looking for what is drawn twice');
        $cleanUp = new CleanUp(same: CleanUp::SAME / ($drawing->declaredUnit?->metres() ?? 1.0));
        foreach ($drawing->layers as $layer) {
            $cleanUp->of($layer);
            $progress->stopIfCancelled();
        }
        $stray = StrayGeometry::of($drawing->layers);
        $progress->tell(0.85, 'trying it against the control');
        $control = ControlPoint::query()->where('project_id', $task->project_id)
            ->orderBy('id')
            ->get()
            ->map(static fn (ControlPoint $c) => new Mark($c->name, $c->position()))
            ->values()
            ->all();
        $grid = GridLine::query()->where('project_id', $task->project_id)->orderBy('id')->get()->map(static fn (GridLine $l) => $l->line())->values()->all();
        $crossings = GridSpots::marks($grid);
        $fits = $control === [] && $crossings === [] ? [] : FitSearch::of([...$control, ...$crossings], [
            ...($control === [] ? [] : Spots::of($drawing->layers, array_column($control, 'name'))), ...GridSpots::of($drawing->layers, array_column($grid, 'name')),
        ]);

        return (array) new Inspection(
            fileName: Uploads::nameOf($upload),
            declaredUnit: $drawing->declaredUnit,
            version: $drawing->version,
            extent: $stray->body ?? [],
            heights: $drawing->heights ?? [],
            layers: array_map(static fn (DrawingLayer $l) => InspectedLayer::of($l), $drawing->layers),
            remarks: $drawing->remarks,
            repairs: $drawing->repairs,
            damage: $damage,
            annotations: $drawing->annotations,
            duplicates: $cleanUp->duplicates,
            zeroLengths: $cleanUp->zeroLengths,
            overlaps: $cleanUp->overlaps,
            strays: array_map(StrayEntry::of(...), $stray->places),
            fits: array_map(static fn (ControlFit $f) => FitEntry::of($f), $fits),
            controlTried: count($control),
            crossingsTried: count($crossings),
            storeys: array_map(static fn (array $s) => new StoreyEntry(...$s), $drawing->storeys),
        );
    }

    /**
     * A damaged file is read a second time, for what can be had of it.
     *
     * @return array{Drawing, string|null} and what was wrong
     */
    private static function read(string $upload, Progress $progress): array
    {
        $size = max(1, (int) filesize(Uploads::path($upload)));
        $tell = static fn (string $doing) => static fn (int $bytes) => $progress->tell(0.7 * $bytes / $size, $doing);
        try {
            return [DrawingFile::read(Uploads::path($upload), new ReadOptions(progress: $tell('reading the drawing'), keptAt: Uploads::elementsOf($upload))), null];
        } catch (UnreadableDrawing $e) {
            if (! $e->damaged) {
                throw $e;
            }
            try {
                return [
                    DrawingFile::read(Uploads::path($upload), new ReadOptions(mend: true, progress: $tell('reading what can be read'))),
                    $e->getMessage(),
                ];
            } catch (UnreadableDrawing) {
                // Nothing can be had of it: the first complaint says where the damage begins.
                throw $e;
            }
        }
    }
}
