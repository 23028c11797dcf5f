<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Design\Drawing;
use Parlay\Core\Design\DrawingLayer;
use Parlay\Core\Design\Shape;
use Parlay\Core\Design\ShapeKind;
use Parlay\Core\Units\LengthUnit;

/** Puts entities where they belong: units, layers, heights, blocks inside blocks; keeps account of what was left out. */
final class Placement
{
    private const MOST_SHAPES = 2_000_000;

    private const DEEPEST = 32;

    public DxfText $text;

    /** @var array<string, string> layer name to #rrggbb */
    public array $colours = [];

    /** @var array<string, Block> by upper-case name */
    public array $blocks = [];

    /** @var array<string, DrawingLayer> */
    private array $layers = [];

    /** @var array<string, int> */
    private array $leftOut = [];

    private int $shapes = 0;

    private float $lowest = INF;

    private float $highest = -INF;

    private readonly Transform $toMetres;

    private readonly Heights $heights;

    /** @var array<string, int>|null */
    private readonly ?array $wanted;

    public function __construct(ReadOptions $options)
    {
        $this->text = new DxfText;
        $this->toMetres = Transform::scale($options->unit->metres());
        $this->heights = $options->heights ?? Heights::used();
        $this->wanted = $options->layers === null ? null : array_flip($options->layers);
    }

    public function place(Entity $entity): void
    {
        if ($entity->integer(67) === 1) {
            $this->leaveOut('on paper space');

            return;
        }
        $this->placeIn($entity, $this->toMetres, null, [], $entity->number);
    }

    public function drawing(?LengthUnit $unit, string $version): Drawing
    {
        if ($this->layers === []) {
            throw UnreadableDrawing::noGeometry();
        }
        $remarks = [];
        foreach ($this->leftOut as $what => $count) {
            $remarks[] = sprintf('%d %s left out: %s.', $count, $count === 1 ? 'entity' : 'entities', $what);
        }
        $flat = $this->lowest === INF || ($this->lowest === 0.0 && $this->highest === 0.0);

        return new Drawing($unit, $version, array_values($this->layers), $remarks, $flat ? null : [$this->lowest, $this->highest]);
    }

    /** @param  list<string>  $within names of the blocks being placed, outermost first */
    private function placeIn(Entity $entity, Transform $transform, ?string $byBlockLayer, array $within, int $number): void
    {
        $layer = $this->text->plain($entity->text(8, '0'));
        // Layer 0 inside a block stands for the layer the block is inserted on.
        $layer = $layer === '0' && $byBlockLayer !== null ? $byBlockLayer : $layer;
        if ($entity->has(230) && ! ($entity->type === 'LINE' || $entity->type === 'POINT' || $entity->type === 'MTEXT')) {
            $up = $entity->real(230, 1.0);
            if (abs(abs($up) - 1) > 1e-9) {
                $this->leaveOut('drawn on a tilted plane');

                return;
            }
            $transform = $up < 0 ? $transform->after(Transform::fromBelow()) : $transform;
        }
        if ($entity->type === 'INSERT') {
            $this->insert($entity, $transform, $layer, $within, $number);
        } elseif (in_array($entity->type, Shapes::READ, true)) {
            $this->keep($entity, $transform, $layer, $number, $within);
        } else {
            $this->leaveOut($entity->type.' is not read');
        }
    }

    /** @param  list<string>  $within */
    private function keep(Entity $entity, Transform $transform, string $layer, int $number, array $within): void
    {
        $shapes = Shapes::of($entity);
        if ($shapes === []) {
            $this->leaveOut($entity->type.' without length or of a kind not read');
        }
        foreach ($shapes as [$kind, $values]) {
            if ($kind === ShapeKind::Text) {
                $raw = implode('', array_column(array_filter($entity->tags, static fn (array $t) => $t[0] === 3), 1)).$entity->text(1);
                $this->add($layer, $transform->apply($kind, $values), $number, $within, $entity->type === 'MTEXT' ? $this->text->plainMtext($raw) : $this->text->plain($raw));
            } else {
                $this->add($layer, $transform->apply($kind, $values), $number, $within);
            }
        }
    }

    /** @param  list<string>  $within */
    private function insert(Entity $entity, Transform $transform, string $layer, array $within, int $number): void
    {
        $name = $this->text->plain($entity->text(2));
        $block = $this->blocks[mb_strtoupper($name)] ?? null;
        if ($block === null) {
            $this->leaveOut("insertion of block “{$name}”, which the file does not define");

            return;
        }
        if (in_array($name, $within, true) || count($within) >= self::DEEPEST) {
            $this->leaveOut("block “{$name}” inserts itself");

            return;
        }
        [$sx, $sy, $sz] = [$entity->real(41, 1.0), $entity->real(42, 1.0), $entity->real(43, 1.0)];
        $rotation = deg2rad($entity->real(50));
        // Rows and columns of an array run along the turned axes and are not scaled.
        $columns = max(1, $entity->integer(70, 1));
        $rows = max(1, $entity->integer(71, 1));
        if ($columns * $rows > self::MOST_SHAPES) {
            throw UnreadableDrawing::tooMany($name, self::MOST_SHAPES);
        }
        for ($i = 0; $i < $columns * $rows; $i++) {
            $along = ($i % $columns) * $entity->real(44);
            $up = intdiv($i, $columns) * $entity->real(45);
            $x = $entity->real(10) + $along * cos($rotation) - $up * sin($rotation);
            $y = $entity->real(20) + $along * sin($rotation) + $up * cos($rotation);
            $this->add($layer, $transform->apply(ShapeKind::Insert, [$x, $y, $entity->real(30), $rotation, 0.0]), $number, $within, $name);
            $inner = $transform->after(Transform::insert($block->x, $block->y, $block->z, $sx, $sy, $sz, $rotation, $x, $y, $entity->real(30)));
            foreach ($block->entities as $child) {
                $this->placeIn($child, $inner, $layer, [...$within, $name], $number);
            }
        }
    }

    /**
     * @param  array{ShapeKind, list<float>}  $shape
     *  @param  list<string>  $within
     */
    private function add(string $layerName, array $shape, int $number, array $within, ?string $string = null): void
    {
        if ($this->wanted !== null && ! isset($this->wanted[$layerName])) {
            return;
        }
        if (++$this->shapes > self::MOST_SHAPES) {
            throw UnreadableDrawing::tooMany(end($within) ?: 'model space', self::MOST_SHAPES);
        }
        [$kind, $v] = $shape;
        $this->lowest = min($this->lowest, $v[2]);
        $this->highest = max($this->highest, $v[2]);
        $v[2] = $this->heights->of($v[2]);
        if ($kind === ShapeKind::Line) {
            $this->lowest = min($this->lowest, $v[5]);
            $this->highest = max($this->highest, $v[5]);
            $v[5] = $this->heights->of($v[5]);
        }
        $layer = $this->layers[$layerName] ??= new DrawingLayer($layerName, $this->colours[$layerName] ?? '#000000');
        if ($string !== null) {
            $v[count($v) - 1] = (float) $layer->addString($string);
        }
        $layer->add(new Shape($kind, $number, array_values($v)));
    }

    private function leaveOut(string $why): void
    {
        $this->leftOut[$why] = ($this->leftOut[$why] ?? 0) + 1;
    }
}
