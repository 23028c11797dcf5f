<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Designs\Attributes;
use Parlay\Core\Designs\Drawing;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Geometry\Spline;
use Parlay\Core\Units\LengthUnit;

/** Puts entities where they belong: units, layers, colours, heights, blocks inside blocks; keeps account of what was left out. */
final class Placement
{
    /** Pieces that insertions may make of a drawing: with all that is done with them, they take 600 MB of the worker's gigabyte. */
    private const MOST_PIECES = 1_000_000;

    private const DEEPEST = 32;

    /** @var array<string, LayerEntry> */
    public array $layerTable = [];

    /** @var array<string, Block> by folded name */
    public array $blocks = [];

    /** @var array<string, DrawingLayer> */
    private array $layers = [];

    /** @var array<string, int> */
    private array $leftOut = [];

    /** @var array<string, true> */
    private array $remarks = [];

    /** Pieces made by insertions so far. */
    private int $multiplied = 0;

    private int $annotations = 0;

    private int $tilted = 0;

    /** Something lies at height 0. */
    private bool $atZero = false;

    private float $lowest = INF;

    private float $highest = -INF;

    private readonly Transform $toSite;

    private readonly Heights $heights;

    /** @var array<string, int>|null */
    private readonly ?array $wanted;

    /** @param  ReadOptions  $options  unit, layers, heights and placement chosen */
    public function __construct(private readonly ReadOptions $options)
    {
        $toMetres = Transform::scale($options->unit->metres());
        $this->toSite = $options->placement?->after($toMetres) ?? $toMetres;
        $this->heights = $options->heights ?? Heights::used();
        $this->wanted = $options->layers === null ? null : array_flip($options->layers);
    }

    /**
     * Puts one entity into its layer, in metres of the site's grid.
     * @throws UnreadableDrawing
     */
    public function place(Drawn $drawn): void
    {
        $this->placeIn($drawn, $this->toSite, null, Colours::BY_LAYER, [], $drawn->place);
    }

    /** Counts what is left out, by its reason. */
    public function leaveOut(string $why): null
    {
        if (count($this->leftOut) < 200 || isset($this->leftOut[$why])) {
            $this->leftOut[$why] = ($this->leftOut[$why] ?? 0) + 1;
        }

        return null;
    }

    /** Something that whoever takes the drawing should know. */
    public function remark(string $sentence): void
    {
        if (count($this->remarks) < 200) {
            $this->remarks[$sentence] = true;
        }
    }

    /**
     * @param  list<string>  $repairs
     * @param  list<array{string, float}>  $storeys  of a building model
     *
     * @throws UnreadableDrawing where nothing was read
     */
    public function drawing(?LengthUnit $unit, string $version, array $repairs, string $placeWord, array $storeys = []): Drawing
    {
        if ($this->layers === []) {
            throw UnreadableDrawing::noGeometry($version, array_keys($this->leftOut), [...$repairs, ...array_keys($this->remarks)]);
        }
        foreach ($this->blocks as $block) {
            if ($block->external) {
                $this->remark("The external reference “{$block->name}”"
                    .($block->path === '' ? '' : " ({$block->path})")
                    .' is not in this file: ask for a drawing with its references bound.');
            }
        }
        if ($this->tilted > 0) {
            $this->remark(
                "{$this->tilted} curves lie on tilted planes: they are true on the plan, and have no height; the centres of circles are kept as points with theirs.",
            );
        }
        foreach ($this->leftOut as $what => $count) {
            $this->remark(sprintf('%d %s left out: %s.', $count, $count === 1 ? 'entity' : 'entities', $what));
        }
        if ($this->atZero) {
            $this->height(0.0);
        }
        $flat = $this->lowest === INF || ($this->lowest === 0.0 && $this->highest === 0.0);

        return new Drawing(
            declaredUnit: $unit, version: $version, layers: array_values($this->layers), remarks: array_keys($this->remarks),
            heights: $flat ? null : [$this->lowest, $this->highest], annotations: $this->annotations, repairs: $repairs, placeWord: $placeWord,
            storeys: $storeys,
        );
    }

    /** Whether what lies on a layer is taken at all. */
    public function takes(string $layer): bool
    {
        return $this->wanted === null || isset($this->wanted[$layer]);
    }

    /** @param  list<string>  $within  names of the blocks being placed, outermost first */
    private function placeIn(Drawn $drawn, Transform $transform, ?string $insertLayer, int $insertColour, array $within, int $place): void
    {
        if ($drawn->annotation) {
            $this->annotations++;
            if (! $this->options->annotations) {
                return;
            }
        }
        // Layer 0 inside a block stands for the layer the block is inserted on; on a frozen layer the whole insertion is not shown.
        $layer = $insertLayer !== null && ($drawn->layer === '0' || ($this->layerTable[$insertLayer]->frozen ?? false))
            ? $insertLayer
            : $drawn->layer;
        $colour = $drawn->colour === Colours::BY_BLOCK ? $insertColour : $drawn->colour;
        $transform = $drawn->plane === null ? $transform : $transform->after($drawn->plane);
        if ($drawn->insertion !== null) {
            $this->insert($drawn->insertion, $transform, $layer, $colour, $within, $place, ! $drawn->annotation);

            return;
        }
        if (! $this->takes($layer)) {
            return;
        }
        $into = $this->layers[$layer] ??= $this->layer($layer);
        $rgb = $colour < 0 ? $into->rgb : $colour;
        $asDrawn = $transform->leavesAsDrawn();
        $said = $drawn->attributes === [] ? '' : Attributes::packed($drawn->attributes);
        foreach ($drawn->pieces as $piece) {
            $chords = $piece[0] === ShapeKind::Arc || $piece[0] === ShapeKind::Ellipse ? $transform->uprightChords($piece[0], $piece[1]) : [];
            foreach ($chords as $line) {
                $this->keep($into, $rgb, ShapeKind::Line, $place, $line, $piece[2] ?? null, $transform, $said);
            }
            if ($chords !== []) {
                continue;
            }
            // An ellipse and a curve are brought into their final form even where they stay in place.
            [$kind, $values] = $asDrawn && $piece[0] !== ShapeKind::Ellipse ? $piece : $transform->apply($piece[0], $piece[1]);
            $this->keep($into, $rgb, $kind, $place, $values, $piece[2] ?? null, $transform, $said);
            if ($piece[0] === ShapeKind::Circle && ($kind === ShapeKind::Line || is_nan($values[2]))) {
                // A sleeve in a wall is a circle that stands upright or leans: on the plan it is an edge or an ellipse, and its centre
                // is what is staked.
                $this->keep(
                    $into, $rgb, ShapeKind::Point, $place, $transform->point($piece[1][0], $piece[1][1], $piece[1][2]), null,
                    $transform,
                );
            }
        }
    }

    /** @param  list<string>  $within */
    private function insert(
        Insertion $insertion,
        Transform $transform,
        string $layer,
        int $colour,
        array $within,
        int $place,
        bool $marked,
    ): void {
        $block = $this->blocks[DxfText::folded($insertion->block)] ?? null;
        if ($block === null) {
            $this->leaveOut("insertion of block “{$insertion->block}”, which the file does not define");

            return;
        }
        if (in_array($block->name, $within, true) || count($within) >= self::DEEPEST) {
            $this->leaveOut("block “{$block->name}” inserts itself ({$insertion->where})");

            return;
        }
        $copies = $insertion->columns * $insertion->rows;
        $multiplied = $copies * $this->weight($block, $within);
        // What is inserted within a block was counted with it.
        if ($within === [] && ($copies > self::MOST_PIECES || $this->multiplied + $multiplied > self::MOST_PIECES)) {
            $this->leaveOut("block “{$block->name}” ({$insertion->where}) would multiply the drawing beyond "
                .number_format(self::MOST_PIECES)
                .' pieces');

            return;
        }
        $this->multiplied += $within === [] ? $multiplied : 0;
        $within[] = $block->name;
        $into = $marked && $this->takes($layer) ? $this->layers[$layer] ??= $this->layer($layer) : null;
        for ($i = 0; $i < $copies; $i++) {
            $to = $insertion->place($i % $insertion->columns, intdiv($i, $insertion->columns));
            if ($into !== null) {
                [$kind, $values] = $transform->apply(ShapeKind::Insert, [...$to, $insertion->rotation, 0.0]);
                $this->keep(
                    $into, $colour < 0 ? $into->rgb : $colour, $kind, $place, $values, $block->name, $transform,
                    $insertion->attributes === [] ? '' : Attributes::packed($insertion->attributes),
                    [$insertion->scale[0] * hypot($transform->a, $transform->d), $insertion->scale[1] * hypot($transform->b, $transform->e)],
                );
            }
            $inner = $transform->after(Transform::insert($block->base, $insertion->scale, $insertion->rotation, $to));
            foreach ($block->entities as $child) {
                $this->placeIn($child, $inner, $layer, $colour, $within, $place);
            }
        }
    }

    /**
     * Pieces of one insertion; what inserts itself counts once. Known before anything is placed, so a block that multiplies is caught
     * in time.
     *
     * @param  list<string>  $within
     */
    private function weight(Block $block, array $within): int
    {
        if ($block->weight !== null || in_array($block->name, $within, true) || count($within) > self::DEEPEST) {
            return $block->weight ?? 0;
        }
        $within[] = $block->name;
        $sum = 1;
        foreach ($block->entities as $drawn) {
            $inner = $drawn->insertion === null ? null : $this->blocks[DxfText::folded($drawn->insertion->block)] ?? null;
            $copies = $drawn->insertion === null ? 0 : $drawn->insertion->columns * $drawn->insertion->rows;
            $sum += $inner === null ? count($drawn->pieces) : $copies * $this->weight($inner, $within);
        }

        // A number that no file reaches stands for all beyond it.
        return $block->weight = min($sum, 1_000_000_000);
    }

    private function layer(string $name): DrawingLayer
    {
        $entry = $this->layerTable[$name] ?? new LayerEntry;

        return new DrawingLayer($name, $entry->colour, $entry->off, $entry->frozen, $entry->locked);
    }

    /**
     * @param  list<float>  $v
     * @param  string  $said  attributes of an insertion or a line, packed; empty where it has none
     * @param  array{float, float}|null  $stretched  of an insertion, to its right and upward
     */
    private function keep(
        DrawingLayer $layer,
        int $rgb,
        ShapeKind $kind,
        int $place,
        array $v,
        string|Spline|null $extra,
        Transform $transform,
        string $said = '',
        ?array $stretched = null,
    ): void {
        if ($kind === ShapeKind::Spline && $extra instanceof Spline) {
            $curve = $transform->spline($extra);
            $layer->addCurve($curve->mapped(fn (array $p): array => [$p[0], $p[1], $this->height($p[2])]), $place, $rgb);

            return;
        }
        if ($v[2] === 0.0 && $this->heights->used && ($kind !== ShapeKind::Line || $v[5] === 0.0) && $kind !== ShapeKind::Face) {
            // Most drawings are flat: there is nothing to decide.
            $this->atZero = true;
        } else {
            $v[2] = $this->height($v[2]);
        }
        if ($kind === ShapeKind::Line && ! ($this->heights->used && $v[5] === 0.0)) {
            $v[5] = $this->height($v[5]);
        } elseif ($kind === ShapeKind::Face) {
            $v[5] = $this->height($v[5]);
            $v[8] = $this->height($v[8]);
        } elseif (is_nan($v[2]) && $kind !== ShapeKind::Insert) {
            $this->tilted += $this->heights->used ? 1 : 0;
        }
        if (is_string($extra)) {
            $v[count($v) - 1] = (float) $layer->addString($extra);
            if ($said !== '') {
                $v[] = 1.0 + $layer->addString($said);
            }
        }
        if ($stretched !== null) {
            $v = [...array_pad($v, 6, 0.0), ...$stretched];
        }
        if ($kind === ShapeKind::Line && $said !== '') {
            $v[Attributes::OF_LINE] = 1.0 + $layer->addSharedString($said);
        }
        /** @var list<float> $v heights and texts are put in place */
        $layer->add($kind, $place, $rgb, $v);
    }

    /** The height as it is to be kept; what the file had is remembered for the range that is shown. */
    private function height(float $z): float
    {
        // What is not known is neither.
        if ($z < $this->lowest) {
            $this->lowest = $z;
        }
        if ($z > $this->highest) {
            $this->highest = $z;
        }

        return $this->heights->used ? $z : $this->heights->fixed ?? NAN;
    }
}
