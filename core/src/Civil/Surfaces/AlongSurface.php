<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

use Parlay\Core\Geometry\Position;

/** The heights of a surface along a straight way, at every edge that it crosses: what a profile or a section shows of it. */
final class AlongSurface
{
    /** Parts of a way that are apart by less are one, metres. */
    private const JOINT = 1e-6;

    /**
     * @return list<list<array{float, float}>> metres from the beginning, and height: one run for each part of the way that lies on the surface
     */
    public static function of(SurfaceIndex $index, Position $from, Position $to): array
    {
        $length = $from->distanceTo($to);
        if ($length === 0.0) {
            return [];
        }
        $parts = [];
        foreach (self::triangles($index, $from, $to) as $triangle) {
            $part = self::part($index->surface->triangle($triangle), $from, $to, $length);
            if ($part !== null) {
                $parts[] = $part;
            }
        }
        usort($parts, static fn (array $a, array $b) => [$a[0], $a[2]] <=> [$b[0], $b[2]]);
        $runs = [];
        $run = -1;
        $reached = -INF;
        foreach ($parts as [$start, $z, $end, $zEnd]) {
            if ($end <= $reached + self::JOINT) {
                continue;
            }
            if ($start > $reached + self::JOINT) {
                $runs[++$run] = [[$start, $z]];
            }
            $runs[$run][] = [$end, $zEnd];
            $reached = $end;
        }

        return array_values($runs);
    }

    /** @return list<int> that may lie under the way */
    private static function triangles(SurfaceIndex $index, Position $from, Position $to): array
    {
        $length = $from->distanceTo($to);
        $steps = max(1, (int) ceil($length / max($index->cell, $length / 10_000)));
        $found = [];
        $a = $from;
        for ($i = 1; $i <= $steps; $i++) {
            $b = new Position($from->northing + ($to->northing - $from->northing) * $i / $steps, $from->easting + ($to->easting - $from->easting) * $i / $steps);
            foreach ($index->within(
                min($a->northing, $b->northing), min($a->easting, $b->easting), max($a->northing, $b->northing), max($a->easting, $b->easting),
            ) as $triangle) {
                $found[$triangle] = true;
            }
            $a = $b;
        }

        return array_keys($found);
    }

    /**
     * @param  array{Position, Position, Position}  $triangle
     * @return array{float, float, float, float}|null where the way enters it and how high, and where it leaves it
     */
    private static function part(array $triangle, Position $from, Position $to, float $length): ?array
    {
        [$low, $high] = [0.0, 1.0];
        [$dn, $de] = [$to->northing - $from->northing, $to->easting - $from->easting];
        [$a, $b, $c] = $triangle;
        $turn = ($b->northing - $a->northing) * ($c->easting - $a->easting) - ($c->northing - $a->northing) * ($b->easting - $a->easting);
        if ($turn === 0.0) {
            return null;
        }
        foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$p, $q]) {
            [$en, $ee] = [$q->northing - $p->northing, $q->easting - $p->easting];
            // Grows to the inner side of the edge.
            $at = ($en * ($from->easting - $p->easting) - $ee * ($from->northing - $p->northing)) * ($turn > 0 ? 1 : -1);
            $by = ($en * $de - $ee * $dn) * ($turn > 0 ? 1 : -1);
            $slack = 1e-9 * hypot($en, $ee);
            if (abs($by) < 1e-15 * hypot($en, $ee) * $length) {
                if ($at < -$slack) {
                    return null;
                }
            } elseif ($by > 0) {
                $low = max($low, (-$at - $slack) / $by);
            } else {
                $high = min($high, (-$at - $slack) / $by);
            }
        }
        if ($high <= $low) {
            return null;
        }
        $height = static fn (float $t): float => OnSurface::of($triangle, $from->northing + $t * $dn, $from->easting + $t * $de)->elevation;

        return [$low * $length, $height($low), $high * $length, $height($high)];
    }
}
