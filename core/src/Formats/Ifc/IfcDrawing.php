<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Element;
use Parlay\Core\Buildings\SeenFromAbove;
use Parlay\Core\Buildings\Solid;
use Parlay\Core\Designs\Drawing;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Formats\Dxf\Block;
use Parlay\Core\Formats\Dxf\Colours;
use Parlay\Core\Formats\Dxf\Drawn;
use Parlay\Core\Formats\Dxf\DxfText;
use Parlay\Core\Formats\Dxf\Insertion;
use Parlay\Core\Formats\Dxf\LayerEntry;
use Parlay\Core\Formats\Dxf\Placement;
use Parlay\Core\Formats\Dxf\ReadOptions;
use Parlay\Core\Formats\Dxf\UnreadableDrawing;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Formats\Step\UnreadableStep;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Units\LengthUnit;

/**
 * A building model as a plan: of each thing the sides of what looks up and of what looks down, at their heights, on a layer for its class
 * and storey each; a symbol where it is placed, by its type; the axes of the grids.
 */
final class IfcDrawing
{
    /** Looking through the file is so much of the work. */
    private const SCAN = 0.3;

    private const TELL_EVERY = 200;

    private const MOST_PIECES = 1_000_000;

    /** Text of an axis, metres. */
    private const AXIS_TEXT = 0.5;

    private const MOST_FAULTS = 100;

    private readonly Placement $placement;

    private readonly IfcModel $model;

    /** From metres to the unit of the file, where its map says it lies. */
    private readonly Frame $toFile;

    /** @var array<int, string> */
    private readonly array $storeys;

    private int $pieces = 0;

    /** @var \WeakMap<Solid, array<string, SeenFromAbove>> by the solid and how it is turned */
    private \WeakMap $seen;

    private function __construct(private readonly LengthUnit $unit, private readonly ReadOptions $options, IfcModel $model)
    {
        $this->placement = new Placement($options);
        $this->seen = new \WeakMap;
        $this->model = $model;
        $scale = 1 / $unit->metres();
        $map = $model->map();
        $this->toFile = (new Frame($scale, 0.0, 0.0, 0.0, 0.0, $scale, 0.0, 0.0, 0.0, 0.0, $scale, 0.0))->after($model->toMap());
        $this->storeys = $model->storeyNames();
        $this->placement->remark(match (true) {
            $map === null => 'The file says no place on the map: the model lies about an origin of its own. Fit it to the control.',
            $map->frame === null => "The file says a place on the map that Parlay can’t read ({$map->said}: {$map->why}). Fit the model to the control.",
            default => "The model lies where the file’s map conversion puts it ({$map->said}).",
        });
        if ($model->ownSystem() !== null) {
            $this->placement->remark('The file gives the model a coordinate system of its own (WorldCoordinateSystem): it was moved and turned by that.');
        }
        $turned = $model->turnedFromNorth();
        if ($turned !== null) {
            $this->placement->remark(sprintf(
                'The file says that its own y axis runs at %.4f° from true north, clockwise. It is not turned by that: true north is not grid north, and the map or the fit says how it lies.',
                rad2deg($turned),
            ));
        }
        // Most lie right under a top: touched together, nobody could tell which height is meant.
        $this->placement->remark('Undersides are on layers of their own, which are not taken unless they are chosen.');
        if (! $model->units->said) {
            $this->placement->remark('The file says no unit of length: it was read in metres.');
        }
    }

    /**
     * @throws UnreadableDrawing
     */
    public static function read(string $path, ReadOptions $options = new ReadOptions): Drawing
    {
        $size = (int) filesize($path);
        try {
            $stream = IfcFile::stream($path);
            $whole = max(1, (int) (fstat($stream)['size'] ?? 1));
            $told = $options->progress;
            $file = StepFile::open($stream, $told === null ? null : static fn (int $bytes) => $told((int) (self::SCAN * $size * $bytes / $whole)));
            $model = new IfcModel($file, $options->keptAt);
        } catch (UnreadableStep $e) {
            throw UnreadableDrawing::because($e->getMessage());
        }

        return (new self($model->units->named(), $options, $model))->drawing($size);
    }

    private function drawing(int $size): Drawing
    {
        $file = $this->model->file;
        $this->axes();
        $this->annotations();
        $all = max(1, array_sum($this->model->things->counts()));
        $done = $twice = 0;
        $bare = $ids = [];
        foreach ($this->model->elements() as $element) {
            if (++$done % self::TELL_EVERY === 0 && $this->options->progress !== null) {
                ($this->options->progress)((int) ($size * (self::SCAN + (1 - self::SCAN) * $done / $all)));
            }
            if ($this->pieces > self::MOST_PIECES) {
                $this->placement->leaveOut('things beyond '.number_format(self::MOST_PIECES).' lines: take fewer at a time');

                continue;
            }
            $this->take($element);
            $twice += isset($ids[$element->id]) ? 1 : 0;
            $ids[$element->id] = true;
            if ($element->fault !== null && count($bare) < self::MOST_FAULTS) {
                $bare[] = "{$element->class} “{$element->name}”: {$element->fault}";
            }
        }
        if ($twice > 0) {
            $this->placement->remark(($twice === 1 ? 'One thing carries' : "$twice things carry").' the id of another: by their id alone they can’t be told apart.');
        }
        foreach ($this->model->leftOut() as $class => $whys) {
            foreach ($whys as $why => $count) {
                $this->placement->remark("$count × $class: $why.");
            }
        }
        foreach ($this->model->things->notTaken() as $class => $count) {
            $this->placement->remark("$count × $class: a place, or what is not there; it is no thing that is set out, and was not taken.");
        }
        if ($this->model->leftOut() !== []) {
            $this->placement->remark('What is not drawn can’t be touched: ask for the model with plain faces (faceted), or for a drawing (DXF) of these things.');
        }
        foreach ([...$bare, ...$this->model->structure->faults] as $fault) {
            $this->placement->remark($fault);
        }

        return $this->placement->drawing($this->unit, $file->schema, $file->faults, 'instance', $this->storeyHeights());
    }

    /** @return list<array{string, float}> where each stands, in the unit of the file */
    private function storeyHeights(): array
    {
        $found = [];
        foreach ($this->model->storeys() as $storey) {
            if ($storey->stands !== null) {
                $found[] = [$storey->name, $this->toFile->point(0.0, 0.0, $storey->stands)[2]];
            }
        }

        return $found;
    }

    private function take(Element $e): void
    {
        $layer = ($this->storeys[$e->storey] ?? '') === '' ? $e->class : "{$this->storeys[$e->storey]} · {$e->class}";
        $attributes = array_filter([
            'name' => $e->name, 'type' => $e->typeName ?? '', 'tag' => $e->tag, 'class' => $e->class, 'id' => $e->id,
        ], static fn (string $v): bool => $v !== '');
        $place = $this->toFile->after($e->place);
        $block = $e->typeName ?? '';
        $block = $block === '' ? $e->class : $block;
        $this->placement->blocks[DxfText::folded($block)] ??= Block::symbol($block);
        // Turned as its own axis lies on the plan.
        [$x, $y] = $place->vector(1.0, 0.0, 0.0);
        $this->placement->place(new Drawn($layer, Colours::BY_LAYER, $e->number, [], insertion: new Insertion(
            block: $block, at: $place->point(0.0, 0.0, 0.0), scale: [1.0, 1.0, 1.0], rotation: atan2($y, $x), columns: 1, rows: 1, across: 0.0, up: 0.0,
            where: "#$e->number", attributes: $attributes + array_filter(['layer' => implode(', ', $e->layers)]) + $this->model->properties->of($e->number),
        )));
        foreach ($e->shape as [$solid, $frame]) {
            $whole = $place->after($frame);
            $seen = $this->seen($solid, $whole);
            $this->placement->layerTable["$layer, underside"] ??= new LayerEntry(off: true);
            $this->lines("$layer, top", $e->number, $solid, $seen->top, $whole, $attributes);
            $this->lines("$layer, underside", $e->number, $solid, $seen->underside, $whole, $attributes);
            $this->circles($layer, $e->number, $solid, $seen->circles, $whole);
        }
    }

    /** Alike wherever it is shown turned about the upright alone. */
    private function seen(Solid $solid, Frame $frame): SeenFromAbove
    {
        $key = sprintf('%.6f %.6f %.6f %d', $frame->g, $frame->h, $frame->i, $frame->determinant() <=> 0.0);

        $known = $this->seen[$solid] ?? [];
        $known[$key] ??= SeenFromAbove::of($solid, $frame);
        $this->seen[$solid] = $known;

        return $known[$key];
    }

    /**
     * @param  list<array{int, int}>  $sides
     * @param  array<string, string>  $attributes
     */
    private function lines(string $layer, int $number, Solid $solid, array $sides, Frame $frame, array $attributes): void
    {
        $this->pieces += count($sides);
        if ($sides === [] || ! $this->placement->takes($layer)) {
            return;
        }
        $at = $pieces = [];
        foreach ($sides as [$a, $b]) {
            $at[$a] ??= $frame->point(...$solid->corners[$a]);
            $at[$b] ??= $frame->point(...$solid->corners[$b]);
            $pieces[] = [ShapeKind::Line, [...$at[$a], ...$at[$b]]];
        }
        $this->placement->place(new Drawn($layer, Colours::BY_LAYER, $number, $pieces, attributes: $attributes));
    }

    /** @param  list<int>  $circles */
    private function circles(string $layer, int $number, Solid $solid, array $circles, Frame $frame): void
    {
        $scale = $frame->stretch() ?? 1.0;
        foreach ($circles as $k) {
            $ends = [$frame->point(...$solid->round[$k]->from), $frame->point(...$solid->round[$k]->to)];
            usort($ends, static fn (array $p, array $q): int => $p[2] <=> $q[2]);
            foreach (['underside', 'top'] as $i => $which) {
                $this->pieces++;
                $this->placement->place(new Drawn("$layer, $which", Colours::BY_LAYER, $number, [
                    [ShapeKind::Circle, [...$ends[$i], $solid->round[$k]->radius * $scale]],
                ]));
            }
        }
    }

    /** Lines for setting out and the like, drawn in the model beside its things. */
    private function annotations(): void
    {
        foreach ($this->model->annotations() as $number => $courses) {
            $pieces = [];
            foreach ($courses as $course) {
                $places = array_map(fn (array $p): array => $this->toFile->point(...$p), $course);
                for ($i = 1; $i < count($places); $i++) {
                    $pieces[] = [ShapeKind::Line, [...$places[$i - 1], ...$places[$i]]];
                }
            }
            if ($pieces !== []) {
                $this->placement->place(new Drawn('Annotation', Colours::BY_LAYER, $number, $pieces, attributes: array_filter(['name' => (string) $this->model->nameOf($number)])));
            }
        }
    }

    private function axes(): void
    {
        foreach ($this->model->grids->axes() as $axis) {
            $places = array_map(fn (array $p): array => $this->toFile->point(...$p), $axis->places);
            $pieces = [];
            for ($i = 1; $i < count($places); $i++) {
                $pieces[] = [ShapeKind::Line, [...$places[$i - 1], ...$places[$i]]];
            }
            $height = self::AXIS_TEXT / $this->unit->metres();
            foreach ($places === [] || $axis->name === '' ? [] : [$places[0], $places[count($places) - 1]] as $end) {
                $pieces[] = [ShapeKind::Text, [...$end, $height, 0.0, 0.0], $axis->name];
            }
            $this->placement->place(new Drawn('Grid', Colours::BY_LAYER, 0, $pieces, attributes: array_filter(['axis' => $axis->name, 'grid' => $axis->grid])));
        }
    }
}
