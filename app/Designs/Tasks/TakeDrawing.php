<?php

declare(strict_types=1);

namespace App\Designs\Tasks;

use App\Clock;
use App\Database\Bytes;
use App\Designs\DesignRole;
use App\Designs\DrawingToTake;
use App\Designs\HeightsChoice;
use App\Designs\MadeOfDrawing;
use App\Designs\Models\Design;
use App\Designs\Models\DesignLayer;
use App\Designs\PlacementChosen;
use App\Projects\Models\Project;
use App\Projects\Preparation;
use App\Projects\Uploads;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\Work;
use App\Typed\Values;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Designs\CleanUp;
use Parlay\Core\Designs\Drawing;
use Parlay\Core\Designs\DrawingComparison;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Designs\StrayGeometry;
use Parlay\Core\Formats\DrawingFile;
use Parlay\Core\Formats\Dxf\Heights;
use Parlay\Core\Formats\Dxf\ReadOptions;
use Parlay\Core\Formats\Dxf\Transform;
use Parlay\Core\Geometry\Similarity;

/** Takes a drawing into the project as it was decided; all of it or nothing. */
final class TakeDrawing implements Work
{
    public function __construct(private readonly MadeOfDrawing $made) {}

    public function __invoke(Task $task, Progress $progress): array
    {
        $body = Values::of($task->input, DrawingToTake::class);
        $project = Project::query()->findOrFail($task->project_id);
        $before = $body->revisesId === null ? null : Design::of($project)->where('current', true)->find($body->revisesId)
            ?? throw new \DomainException('The drawing that this would revise is not the current one any more. Choose again.');
        $drawing = self::read($body, $progress);
        [$layers, $cleared] = self::cleaned($drawing->layers, $body, $progress);
        $stray = StrayGeometry::of($layers);
        $progress->tell(0.9, 'comparing with the revision before');
        $comparison = $before === null ? null : DrawingComparison::between(
            $before->layers->mapWithKeys(static fn (DesignLayer $l) => [$l->name => $l->drawing()])->all(),
            array_column($layers, null, 'name'),
        );
        $fileName = Uploads::nameOf($body->upload);
        $progress->stopIfCancelled();

        $taken = Preparation::step($project, ($before === null ? 'Drawing ' : 'New revision ').$fileName, function (
            Preparation $step,
        ) use ($project, $body, $drawing, $layers, $cleared, $stray, $comparison, $before, $fileName, $progress): array {
            // Undone is removed, not deleted: points made from it keep their source.
            $design = Design::query()->create([
                'project_id' => $project->id,
                'name' => trim($body->name) === '' ? $fileName : mb_substr(trim($body->name), 0, 200), 'file_name' => $fileName,
                'file_hash' => hash_file('sha256', Uploads::path($body->upload)), 'unit' => $body->unit->value, 'upload' => $body->upload,
                'heights' => $body->heights->value, 'remarks' => [...$drawing->repairs, ...$drawing->remarks, ...$cleared],
                'taken_at' => Clock::stamp(), 'removed_at' => Clock::stamp(),
                'role' => $body->role->value, 'revision' => mb_substr(trim($body->revision), 0, 60),
                'revises_id' => $before?->id, 'current' => true,
                'place_word' => $drawing->placeWord,
                'extent' => $stray->body, 'strays' => $stray->places, 'placement' => self::placementRow($body->placement),
                'changes' => $comparison === null ? null : array_map(
                    static fn (array $c, string $layer) => ['layer' => $layer] + $c, $comparison->byLayer,
                    array_map(strval(...), array_keys($comparison->byLayer)),
                ),
            ]);
            if ($comparison !== null) {
                self::keepChanges($design, $comparison);
            }
            foreach ($layers as $layer) {
                DesignLayer::keep($design, $layer);
            }
            // The last moment: what is committed stays.
            $progress->stopIfCancelled();
            $step->update($design, ['removed_at' => null]);
            if ($before !== null) {
                $step->update($before, ['current' => false]);
                self::keepLayerChoices($before, $design);
                self::keepSuccessors($before, $design, $comparison);
            }
            if ($body->role === DesignRole::Design) {
                $step->update($project, ['active_design_id' => $design->id]);
            }

            return ['designId' => $design->id, 'unchanged' => $comparison?->unchanged];
        });
        $this->prepare($taken['designId'], $progress);
        // All that is made of its things is made now.
        Uploads::forgetElements($body->upload);

        return $taken;
    }

    private function prepare(int $designId, Progress $progress): void
    {
        $design = Design::query()->findOrFail($designId, Design::LISTED);
        try {
            $this->made->make($design, static fn (float $share, string $doing) => $progress->tell(0.92 + 0.08 * $share, $doing));
        } catch (\Throwable $e) {
            // The drawing is taken all the same: what was stopped or went wrong here is made, or said, when it is asked for.
            $e instanceof \DomainException || report($e);
        }
    }

    public static function transform(?PlacementChosen $placement): ?Transform
    {
        if ($placement === null) {
            return null;
        }
        $plane = Transform::plane($placement->a, $placement->b, $placement->dEasting, $placement->dNorthing)->raised($placement->dElevation);

        return $placement->exchanged ? $plane->after(Transform::exchange()) : $plane;
    }

    private static function read(DrawingToTake $body, Progress $progress): Drawing
    {
        $heights = match ($body->heights) {
            HeightsChoice::Used => Heights::used(),
            HeightsChoice::Dropped => Heights::dropped(),
            HeightsChoice::Fixed => Heights::fixed(
                $body->fixedElevation ?? throw new \DomainException('Say which elevation all of it has.'),
            ),
        };
        $size = max(1, (int) filesize(Uploads::path($body->upload)));

        return DrawingFile::read(Uploads::path($body->upload), new ReadOptions(
            $body->unit, $body->layers, $heights, $body->annotations, self::transform($body->placement), $body->mend,
            static fn (int $bytes) => $progress->tell(0.75 * $bytes / $size, 'reading the drawing'), Uploads::elementsOf($body->upload),
        ));
    }

    /**
     * @param  list<DrawingLayer>  $layers
     * @return array{list<DrawingLayer>, list<string>} and what was cleared away, a sentence each
     */
    private static function cleaned(array $layers, DrawingToTake $body, Progress $progress): array
    {
        $choice = $body->cleanUp;
        if (! $choice->duplicates && ! $choice->zeroLengths && ! $choice->overlaps) {
            return [$layers, []];
        }
        $cleanUp = new CleanUp($choice->duplicates, $choice->zeroLengths, $choice->overlaps);
        $clean = [];
        foreach ($layers as $i => $layer) {
            $clean[] = $cleanUp->of($layer);
            $progress->tell(0.75 + 0.15 * $i / count($layers), 'clearing up');
        }
        $said = array_filter([
            $cleanUp->duplicates > 0 ? "{$cleanUp->duplicates} drawn twice were cleared away." : '',
            $cleanUp->zeroLengths > 0 ? "{$cleanUp->zeroLengths} lines without length were cleared away." : '',
            $cleanUp->overlaps > 0 ? "{$cleanUp->overlaps} lines lying along another were united with it." : '',
        ]);

        return [array_values(array_filter($clean, static fn (DrawingLayer $l) => $l->count > 0)), array_values($said)];
    }

    /** @return array<string, mixed>|null */
    private static function placementRow(?PlacementChosen $p): ?array
    {
        if ($p === null) {
            return null;
        }
        $plane = new Similarity($p->a, $p->b, $p->dEasting, $p->dNorthing);
        $words = array_filter([
            $p->dElevation === 0.0 ? '' : sprintf('raised by %.4f m', $p->dElevation),
            $p->exchanged ? 'northing and easting exchanged' : '',
            $plane->isIdentity() ? '' : sprintf(
                'shifted and turned by %.4f°, scale %.6f',
                rad2deg($plane->rotation() > M_PI ? $plane->rotation() - 2 * M_PI : $plane->rotation()), $plane->scale(),
            ),
        ]);

        return (array) $p + ['words' => implode(', ', $words)];
    }

    private static function keepChanges(Design $design, DrawingComparison $comparison): void
    {
        $pack = static fn (array $shapes): string => implode('', array_map(static fn (Shape $s) => $s->pack(), $shapes));
        $sheets = [
            'added' => $pack($comparison->added), 'gone' => $pack($comparison->gone),
            'moved' => $pack(array_column($comparison->moved, 1)),
        ];
        DB::table('designs')->where('id', $design->id)->update(array_map(Bytes::stream(...), $sheets));
    }

    /** Points made from the earlier revision find there what became of their source. */
    private static function keepSuccessors(Design $before, Design $after, ?DrawingComparison $comparison): void
    {
        $next = DesignLayer::query()->where('design_id', $after->id)->pluck('id', 'name');
        foreach ($before->layers as $layer) {
            if (isset($next[$layer->name], $comparison->successors[$layer->name])) {
                $layer->keepSuccessors((int) $next[$layer->name], $comparison->successors[$layer->name]);
            }
        }
    }

    /** Layers of one name stay as they were set for the revision before. */
    private static function keepLayerChoices(Design $before, Design $after): void
    {
        foreach ($before->layers as $layer) {
            DesignLayer::query()->where('design_id', $after->id)->where('name', $layer->name)
                ->update(['visible' => $layer->visible, 'pickable' => $layer->pickable, 'own_colour' => $layer->own_colour]);
        }
    }
}
