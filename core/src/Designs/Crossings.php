<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

use Parlay\Core\Geometry\Position;

/** Where lines, arcs and circles of a drawing meet within their lengths. Ellipses are not crossed. */
final class Crossings
{
    /** Beyond an end by this much still counts as touching it, metres. */
    private const REACH = 1e-6;

    /**
     * @param  bool  $prolonged  lines without ends, arcs as whole circles
     * @return list<Position> with the first shape's elevation
     */
    public static function between(Shape $a, Shape $b, bool $prolonged = false): array
    {
        $points = match (true) {
            $a->kind === ShapeKind::Line && $b->kind === ShapeKind::Line => self::lines($a->v, $b->v),
            $a->kind === ShapeKind::Line && self::round($b) => self::lineAndCircle($a->v, $b->v),
            self::round($a) && $b->kind === ShapeKind::Line => self::lineAndCircle($b->v, $a->v),
            self::round($a) && self::round($b) => self::circles($a->v, $b->v),
            default => [],
        };
        $found = [];
        foreach ($points as [$x, $y]) {
            if ($prolonged || (self::lies($a, $x, $y) && self::lies($b, $x, $y))) {
                $found[] = new Position($y, $x, self::elevation($a, $x, $y));
            }
        }

        return $found;
    }

    private static function round(Shape $s): bool
    {
        return $s->kind === ShapeKind::Arc || $s->kind === ShapeKind::Circle;
    }

    /**
     * @param  list<float>  $p
     *  @param  list<float>  $q
     *  @return list<array{float, float}>
     */
    private static function lines(array $p, array $q): array
    {
        $px = $p[3] - $p[0];
        $py = $p[4] - $p[1];
        $qx = $q[3] - $q[0];
        $qy = $q[4] - $q[1];
        $cross = $px * $qy - $py * $qx;
        if (abs($cross) < 1e-12 * hypot($px, $py) * hypot($qx, $qy) || $cross === 0.0) {
            return [];
        }
        $t = (($q[0] - $p[0]) * $qy - ($q[1] - $p[1]) * $qx) / $cross;

        return [[$p[0] + $t * $px, $p[1] + $t * $py]];
    }

    /**
     * @param  list<float>  $l
     *  @param  list<float>  $c
     *  @return list<array{float, float}>
     */
    private static function lineAndCircle(array $l, array $c): array
    {
        $length = hypot($l[3] - $l[0], $l[4] - $l[1]);
        if ($length === 0.0) {
            return [];
        }
        $ux = ($l[3] - $l[0]) / $length;
        $uy = ($l[4] - $l[1]) / $length;
        $along = ($c[0] - $l[0]) * $ux + ($c[1] - $l[1]) * $uy;
        $off = ($c[0] - $l[0]) * $uy - ($c[1] - $l[1]) * $ux;
        // A line drawn tangent misses its circle by rounding as often as not.
        $square = $c[3] ** 2 - $off ** 2;
        if ($square < -2 * self::REACH * $c[3]) {
            return [];
        }
        $half = sqrt(max($square, 0.0));

        return array_map(
            static fn (float $t) => [$l[0] + $t * $ux, $l[1] + $t * $uy],
            $half < self::REACH ? [$along] : [$along - $half, $along + $half],
        );
    }

    /**
     * @param  list<float>  $a
     *  @param  list<float>  $b
     *  @return list<array{float, float}>
     */
    private static function circles(array $a, array $b): array
    {
        $dx = $b[0] - $a[0];
        $dy = $b[1] - $a[1];
        $distance = hypot($dx, $dy);
        if ($distance < self::REACH) {
            return [];
        }
        $along = ($distance ** 2 + $a[3] ** 2 - $b[3] ** 2) / (2 * $distance);
        $square = $a[3] ** 2 - $along ** 2;
        if ($square < -2 * self::REACH * $a[3]) {
            return [];
        }
        $half = sqrt(max($square, 0.0));
        $x = $a[0] + $along * $dx / $distance;
        $y = $a[1] + $along * $dy / $distance;

        return array_map(
            static fn (float $h) => [$x - $h * $dy / $distance, $y + $h * $dx / $distance],
            $half < self::REACH ? [0.0] : [-$half, $half],
        );
    }

    private static function lies(Shape $s, float $x, float $y): bool
    {
        if ($s->kind === ShapeKind::Circle) {
            return true;
        }
        if ($s->kind === ShapeKind::Line) {
            $part = self::part($s, $x, $y);
            $slack = self::REACH / max(hypot($s->v[3] - $s->v[0], $s->v[4] - $s->v[1]), self::REACH);

            return $part >= -$slack && $part <= 1 + $slack;
        }
        $turn = fmod((atan2($y - $s->v[1], $x - $s->v[0]) - $s->v[4]) * ($s->v[5] < 0 ? -1 : 1), 2 * M_PI);
        $turn = $turn < 0 ? $turn + 2 * M_PI : $turn;
        $slack = self::REACH / max($s->v[3], self::REACH);

        return $turn <= abs($s->v[5]) + $slack || $turn >= 2 * M_PI - $slack;
    }

    private static function elevation(Shape $s, float $x, float $y): ?float
    {
        return $s->kind === ShapeKind::Line ? $s->pointAt(self::part($s, $x, $y))->elevation : $s->pointAt(0.0)->elevation;
    }

    private static function part(Shape $line, float $x, float $y): float
    {
        $dx = $line->v[3] - $line->v[0];
        $dy = $line->v[4] - $line->v[1];

        return (($x - $line->v[0]) * $dx + ($y - $line->v[1]) * $dy) / ($dx ** 2 + $dy ** 2);
    }
}
