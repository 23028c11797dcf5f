<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Stand;

use Parlay\Core\Designs\Shape;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Geometry\Position;

/** What blocks a sight: segments in plan, found by the squares of a grid that they pass through. */
final class Walls
{
    /** Curves block the sight as so many chords. */
    private const CHORDS = 24;

    /** A sight may end on a wall: marks stand on them. Metres from either end. */
    private const ENDS = 0.15;

    /** @var array<int, list<int>> segments by square */
    private array $squares = [];

    private float $south = INF;

    private float $west = INF;

    private float $size = 1.0;

    private int $columns = 1;

    private int $rows = 1;

    /** @param  list<array{float, float, float, float}>  $segments  northing and easting of both ends */
    public function __construct(private readonly array $segments)
    {
        [$north, $east] = [-INF, -INF];
        foreach ($segments as [$n1, $e1, $n2, $e2]) {
            $this->south = min($this->south, $n1, $n2);
            $this->west = min($this->west, $e1, $e2);
            [$north, $east] = [max($north, $n1, $n2), max($east, $e1, $e2)];
        }
        if ($segments === []) {
            return;
        }
        // About as many squares as segments, so that each holds few of them.
        $this->size = max(0.5, sqrt(max(1.0, ($north - $this->south) * ($east - $this->west)) / max(64, count($segments))));
        $this->columns = (int) floor(($east - $this->west) / $this->size) + 1;
        $this->rows = (int) floor(($north - $this->south) / $this->size) + 1;
        foreach ($segments as $i => [$n1, $e1, $n2, $e2]) {
            $this->walk($n1, $e1, $n2, $e2, function (int $square) use ($i): bool {
                $this->squares[$square][] = $i;

                return false;
            });
        }
    }

    /** @param  iterable<Shape>  $shapes  of a drawing; what has no length blocks nothing */
    public static function along(iterable $shapes): self
    {
        $segments = [];
        foreach ($shapes as $shape) {
            array_push($segments, ...self::chords($shape));
        }

        return new self($segments);
    }

    /** Whether a wall stands in a line of sight. */
    public function block(Position $from, Position $to): bool
    {
        if ($this->segments === []) {
            return false;
        }
        $length = $from->distanceTo($to);
        if ($length <= 2 * self::ENDS) {
            return false;
        }
        $part = self::ENDS / $length;
        [$dn, $de] = [$to->northing - $from->northing, $to->easting - $from->easting];
        [$n1, $e1] = [$from->northing + $part * $dn, $from->easting + $part * $de];
        [$n2, $e2] = [$to->northing - $part * $dn, $to->easting - $part * $de];

        return $this->walk($n1, $e1, $n2, $e2, function (int $square) use ($n1, $e1, $n2, $e2): bool {
            foreach ($this->squares[$square] ?? [] as $i) {
                if (self::cross($n1, $e1, $n2, $e2, $this->segments[$i])) {
                    return true;
                }
            }

            return false;
        });
    }

    /** @return list<array{float, float, float, float}> */
    private static function chords(Shape $shape): array
    {
        if (! in_array($shape->kind, [ShapeKind::Line, ShapeKind::Arc, ShapeKind::Circle, ShapeKind::Ellipse, ShapeKind::Spline], true)) {
            return [];
        }
        $pieces = $shape->kind === ShapeKind::Line ? 1 : self::CHORDS;
        $segments = [];
        $from = $shape->pointAt(0.0);
        for ($k = 1; $k <= $pieces; $k++) {
            $to = $shape->pointAt($k / $pieces);
            $segments[] = [$from->northing, $from->easting, $to->northing, $to->easting];
            $from = $to;
        }

        return $segments;
    }

    /**
     * Every square that a segment passes, each row's stretch in turn, until the visitor says that it is enough.
     *
     * @param  callable(int): bool  $visit
     */
    private function walk(float $n1, float $e1, float $n2, float $e2, callable $visit): bool
    {
        if ($n1 > $n2) {
            [$n1, $e1, $n2, $e2] = [$n2, $e2, $n1, $e1];
        }
        $first = max(0, (int) floor(($n1 - $this->south) / $this->size));
        $last = min($this->rows - 1, (int) floor(($n2 - $this->south) / $this->size));
        for ($row = $first; $row <= $last; $row++) {
            // Where the segment enters and leaves this row of squares.
            $low = max($n1, $this->south + $row * $this->size);
            $high = min($n2, $this->south + ($row + 1) * $this->size);
            $slope = $n2 > $n1 ? ($e2 - $e1) / ($n2 - $n1) : null;
            [$a, $b] = $slope === null ? [$e1, $e2] : [$e1 + ($low - $n1) * $slope, $e1 + ($high - $n1) * $slope];
            $from = max(0, (int) floor((min($a, $b) - $this->west) / $this->size - 1e-9));
            $to = min($this->columns - 1, (int) floor((max($a, $b) - $this->west) / $this->size + 1e-9));
            for ($column = $from; $column <= $to; $column++) {
                if ($visit($row * $this->columns + $column)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @param  array{float, float, float, float}  $s */
    private static function cross(float $n1, float $e1, float $n2, float $e2, array $s): bool
    {
        $side = static fn (float $an, float $ae, float $bn, float $be, float $pn, float $pe): float => ($bn - $an) * ($pe - $ae)
            - ($be - $ae) * ($pn - $an);
        $a = $side($s[0], $s[1], $s[2], $s[3], $n1, $e1);
        $b = $side($s[0], $s[1], $s[2], $s[3], $n2, $e2);
        $c = $side($n1, $e1, $n2, $e2, $s[0], $s[1]);
        $d = $side($n1, $e1, $n2, $e2, $s[2], $s[3]);

        return (($a > 0) !== ($b > 0)) && (($c > 0) !== ($d > 0));
    }
}
