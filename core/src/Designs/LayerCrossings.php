<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

use Parlay\Core\Geometry\Position;

/**
 * All places where the lines, arcs and circles of one layer cross those of another, or of itself. Pieces are looked up by the cells of a
 * square raster that they pass, so that the work grows with the number of pieces and not with its square.
 */
final class LayerCrossings
{
    /** Crossings nearer to each other are one, metres. */
    private const SAME = 1e-4;

    public const MOST = 100_000;

    /** @var array<int, list<int>> numbers of the pieces of the second layer, by cell */
    private array $cells = [];

    private float $size;

    private float $west;

    private float $south;

    private int $columns;

    /** @param  non-empty-list<array{int, list<float>, array{float, float, float, float}}>  $pieces  number, values, bounds of the second layer's */
    private function __construct(private readonly array $pieces)
    {
        $this->west = min(array_map(static fn (array $p) => $p[2][0], $pieces));
        $this->south = min(array_map(static fn (array $p) => $p[2][1], $pieces));
        $wide = max(array_map(static fn (array $p) => $p[2][2], $pieces)) - $this->west;
        $high = max(array_map(static fn (array $p) => $p[2][3], $pieces)) - $this->south;
        $this->size = max(1e-3, sqrt(max($wide, 1e-3) * max($high, 1e-3) / count($pieces)), max($wide, $high) / 4000);
        $this->columns = (int) floor($wide / $this->size) + 3;
        foreach ($pieces as $k => $piece) {
            foreach ($this->passed($piece) as $cell) {
                $this->cells[$cell][] = $k;
            }
        }
    }

    /** @return list<array{int, int, Position}> number in the first layer, number in the second, place; at most MOST */
    public static function between(DrawingLayer $a, DrawingLayer $b): array
    {
        [$ours, $theirs] = [self::pieces($a), $a === $b ? self::pieces($a) : self::pieces($b)];
        if ($ours === [] || $theirs === []) {
            return [];
        }
        $raster = new self($theirs);
        $found = $known = $seen = [];
        foreach ($ours as $i => $piece) {
            foreach ($raster->passed($piece) as $cell) {
                foreach ($raster->cells[$cell] ?? [] as $k) {
                    if (($seen[$k] ?? -1) === $i || ($a === $b && $theirs[$k][0] <= $piece[0])) {
                        continue;
                    }
                    $seen[$k] = $i;
                    foreach (self::meet($piece, $theirs[$k]) as [$x, $y]) {
                        $key = round($x / self::SAME).' '.round($y / self::SAME);
                        if (! isset($known[$key])) {
                            $known[$key] = true;
                            $found[] = [$piece[0], $theirs[$k][0], new Position($y, $x)];
                            if (count($found) >= self::MOST) {
                                return $found;
                            }
                        }
                    }
                }
            }
        }

        return $found;
    }

    /** @return list<array{int, list<float>, array{float, float, float, float}}> */
    private static function pieces(DrawingLayer $layer): array
    {
        $records = $layer->records();
        $pieces = [];
        for ($i = 0; $i < $layer->count; $i++) {
            $kind = ord($records[$i * Shape::BYTES]);
            if ($kind === ShapeKind::Line->value) {
                // Nine in ten pieces are lines: they are unpacked without an object for each.
                $v = array_values(unpack('e6', $records, $i * Shape::BYTES + 8) ?: []);
                $pieces[] = [$i, $v, [min($v[0], $v[3]), min($v[1], $v[4]), max($v[0], $v[3]), max($v[1], $v[4])]];
            } elseif ($kind === ShapeKind::Arc->value || $kind === ShapeKind::Circle->value) {
                $shape = $layer->shape($i);
                $pieces[] = [$i, [...$shape->v, (float) $kind], $shape->bounds()];
            }
        }

        return $pieces;
    }

    /**
     * Cells that a piece passes: those of a line column by column, those of a round piece by its bounds.
     *
     * @param  array{int, list<float>, array{float, float, float, float}}  $piece
     * @return list<int>
     */
    private function passed(array $piece): array
    {
        [, $v, [$west, $south, $east, $north]] = $piece;
        $first = max(0, (int) floor(($west - $this->west) / $this->size));
        $last = min($this->columns - 1, (int) floor(($east - $this->west) / $this->size));
        $straight = count($v) === 6 && $v[3] !== $v[0];
        $cells = [];
        for ($c = $first; $c <= $last; $c++) {
            [$low, $high] = [$south, $north];
            if ($straight && $last > $first) {
                $slope = ($v[4] - $v[1]) / ($v[3] - $v[0]);
                $y1 = $v[1] + $slope * (max($west, $this->west + $c * $this->size) - $v[0]);
                $y2 = $v[1] + $slope * (min($east, $this->west + ($c + 1) * $this->size) - $v[0]);
                [$low, $high] = [min($y1, $y2), max($y1, $y2)];
            }
            $bottom = (int) floor(($low - $this->south - 1e-6) / $this->size);
            $top = (int) floor(($high - $this->south + 1e-6) / $this->size);
            for ($r = $bottom; $r <= $top; $r++) {
                $cells[] = ($r + 1) * $this->columns + $c;
            }
        }

        return $cells;
    }

    /**
     * @param  array{int, list<float>, array{float, float, float, float}}  $a
     * @param  array{int, list<float>, array{float, float, float, float}}  $b
     * @return list<array{float, float}>
     */
    private static function meet(array $a, array $b): array
    {
        [, $p, $ab] = $a;
        [, $q, $bb] = $b;
        if ($ab[0] > $bb[2] + 1e-6 || $bb[0] > $ab[2] + 1e-6 || $ab[1] > $bb[3] + 1e-6 || $bb[1] > $ab[3] + 1e-6) {
            return [];
        }
        if (count($p) > 6 || count($q) > 6) {
            return array_map(static fn (Position $m) => [$m->easting, $m->northing], Crossings::between(self::shape($p), self::shape($q)));
        }
        $px = $p[3] - $p[0];
        $py = $p[4] - $p[1];
        $qx = $q[3] - $q[0];
        $qy = $q[4] - $q[1];
        $cross = $px * $qy - $py * $qx;
        if (abs($cross) < 1e-12 * (abs($px) + abs($py)) * (abs($qx) + abs($qy)) || $cross === 0.0) {
            return [];
        }
        $t = (($q[0] - $p[0]) * $qy - ($q[1] - $p[1]) * $qx) / $cross;
        $u = (($q[0] - $p[0]) * $py - ($q[1] - $p[1]) * $px) / $cross;
        // Beyond an end by a thousandth of a millimetre still touches.
        $slackP = 1e-6 / (abs($px) + abs($py));
        $slackQ = 1e-6 / (abs($qx) + abs($qy));

        return $t < -$slackP || $t > 1 + $slackP || $u < -$slackQ || $u > 1 + $slackQ ? [] : [[$p[0] + $t * $px, $p[1] + $t * $py]];
    }

    /** @param  list<float>  $v */
    private static function shape(array $v): Shape
    {
        return count($v) === 6
            ? new Shape(ShapeKind::Line, 0, [...$v, 0.0, 0.0, 0.0])
            : new Shape(ShapeKind::from((int) $v[9]), 0, array_slice($v, 0, 9));
    }
}
