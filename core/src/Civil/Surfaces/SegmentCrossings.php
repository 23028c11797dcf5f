<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

use Parlay\Core\Geometry\Position;

/** Where straight pieces meet, each pair once; found through a grid, so that thousands are quick. */
final class SegmentCrossings
{
    /** Ends that lie nearer than this on another piece touch it, metres. */
    private const TOUCH = 1e-6;

    /**
     * @param  list<array{Position, Position}>  $pieces
     * @return \Generator<array{int, int, Position, float, float}> two pieces, the smaller number first, where they meet, and how far along each, 0 to 1
     */
    public static function of(array $pieces): \Generator
    {
        $cells = [];
        $size = self::size($pieces);
        foreach ($pieces as $i => [$a, $b]) {
            $seen = [];
            foreach (self::cells($a, $b, $size) as $cell) {
                foreach ($cells[$cell] ?? [] as $j) {
                    $seen[$j] = true;
                }
                $cells[$cell][] = $i;
            }
            foreach (array_keys($seen) as $j) {
                foreach (self::meetings($pieces[$j], [$a, $b]) as [$t, $u]) {
                    yield [$j, $i, $a->along($a->azimuthTo($b), $u * $a->distanceTo($b)), $t, $u];
                }
            }
        }
    }

    /**
     * Ends that lie on the other piece, also where both run in one line; or else where they cross.
     *
     * @param  array{Position, Position}  $one
     * @param  array{Position, Position}  $other
     * @return list<array{float, float}> how far along each
     */
    private static function meetings(array $one, array $other): array
    {
        $found = [];
        foreach ([0, 1] as $end) {
            $u = self::on($other, $one[$end]);
            if ($u !== null) {
                $found[] = [(float) $end, $u];
            }
        }
        foreach ([0, 1] as $end) {
            $t = self::on($one, $other[$end]);
            if ($t !== null && ! in_array([$t, (float) $end], $found, true)) {
                $found[] = [$t, (float) $end];
            }
        }

        return $found === [] ? self::crossing($one, $other) : $found;
    }

    /**
     * @param  array{Position, Position}  $piece
     * @return float|null how far along it a place lies; null where it lies beside
     */
    private static function on(array $piece, Position $p): ?float
    {
        [$a, $b] = $piece;
        [$bn, $be, $pn, $pe] = [$b->northing - $a->northing, $b->easting - $a->easting, $p->northing - $a->northing, $p->easting - $a->easting];
        $length = hypot($bn, $be);
        if ($length === 0.0 || abs($bn * $pe - $be * $pn) > self::TOUCH * $length) {
            return null;
        }
        $along = ($bn * $pn + $be * $pe) / $length;
        if ($along < -self::TOUCH || $along > $length + self::TOUCH) {
            return null;
        }

        return $along <= self::TOUCH ? 0.0 : ($along >= $length - self::TOUCH ? 1.0 : $along / $length);
    }

    /**
     * @param  array{Position, Position}  $one
     * @param  array{Position, Position}  $other
     * @return list<array{float, float}>
     */
    private static function crossing(array $one, array $other): array
    {
        [[$a, $b], [$c, $d]] = [$one, $other];
        [$bn, $be, $dn, $de] = [$b->northing - $a->northing, $b->easting - $a->easting, $d->northing - $c->northing, $d->easting - $c->easting];
        $sine = $bn * $de - $be * $dn;
        if ($sine === 0.0) {
            return [];
        }
        [$cn, $ce] = [$c->northing - $a->northing, $c->easting - $a->easting];
        $t = ($cn * $de - $ce * $dn) / $sine;
        $u = ($cn * $be - $ce * $bn) / $sine;

        return $t > 0.0 && $t < 1.0 && $u > 0.0 && $u < 1.0 ? [[$t, $u]] : [];
    }

    /** @param  list<array{Position, Position}>  $pieces */
    private static function size(array $pieces): float
    {
        $sum = 0.0;
        foreach ($pieces as [$a, $b]) {
            $sum += $a->distanceTo($b);
        }

        return max(1e-3, 2 * $sum / max(1, count($pieces)));
    }

    /** @return list<string> the cells of the grid that a piece goes through, and some beside it */
    private static function cells(Position $a, Position $b, float $size): array
    {
        $steps = (int) ceil($a->distanceTo($b) / $size) + 1;
        $cells = [];
        $before = $a;
        for ($i = 1; $i <= $steps; $i++) {
            $at = new Position($a->northing + ($b->northing - $a->northing) * $i / $steps, $a->easting + ($b->easting - $a->easting) * $i / $steps);
            for ($n = (int) floor((min($before->northing, $at->northing) - self::TOUCH) / $size); $n <= (max($before->northing, $at->northing) + self::TOUCH) / $size; $n++) {
                for ($e = (int) floor((min($before->easting, $at->easting) - self::TOUCH) / $size); $e <= (max($before->easting, $at->easting) + self::TOUCH) / $size; $e++) {
                    $cells["$n/$e"] = true;
                }
            }
            $before = $at;
        }

        return array_map(strval(...), array_keys($cells));
    }
}
