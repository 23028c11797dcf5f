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
                $met = self::meet($pieces[$j], [$a, $b]);
                if ($met !== null) {
                    yield [$j, $i, $a->along($a->azimuthTo($b), $met[1] * $a->distanceTo($b)), $met[0], $met[1]];
                }
            }
        }
    }

    /**
     * @param  array{Position, Position}  $one
     * @param  array{Position, Position}  $other
     * @return array{float, float}|null how far along each; null where they are apart or parallel
     */
    private static function meet(array $one, array $other): ?array
    {
        [[$a, $b], [$c, $d]] = [$one, $other];
        [$bn, $be, $dn, $de] = [$b->northing - $a->northing, $b->easting - $a->easting, $d->northing - $c->northing, $d->easting - $c->easting];
        $sine = $bn * $de - $be * $dn;
        $lengths = hypot($bn, $be) * hypot($dn, $de);
        if ($lengths === 0.0 || abs($sine) < 1e-12 * $lengths) {
            return null;
        }
        [$cn, $ce] = [$c->northing - $a->northing, $c->easting - $a->easting];
        $t = ($cn * $de - $ce * $dn) / $sine;
        $u = ($cn * $be - $ce * $bn) / $sine;
        [$slackT, $slackU] = [self::TOUCH / hypot($bn, $be), self::TOUCH / hypot($dn, $de)];

        return $t < -$slackT || $t > 1 + $slackT || $u < -$slackU || $u > 1 + $slackU ? null : [max(0.0, min(1.0, $t)), max(0.0, min(1.0, $u))];
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
