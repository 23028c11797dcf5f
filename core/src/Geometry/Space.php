<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

/** Directions and ways in space, as three numbers. */
final class Space
{
    /**
     * Square to both, as long as the area between them.
     *
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @return array{float, float, float}
     */
    public static function cross(array $a, array $b): array
    {
        return [$a[1] * $b[2] - $a[2] * $b[1], $a[2] * $b[0] - $a[0] * $b[2], $a[0] * $b[1] - $a[1] * $b[0]];
    }

    /**
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     */
    public static function dot(array $a, array $b): float
    {
        return $a[0] * $b[0] + $a[1] * $b[1] + $a[2] * $b[2];
    }

    /** @param  array{float, float, float}  $v */
    public static function length(array $v): float
    {
        return sqrt($v[0] * $v[0] + $v[1] * $v[1] + $v[2] * $v[2]);
    }

    /**
     * The same direction with length 1; null where it has none.
     *
     * @param  array{float, float, float}  $v
     * @return array{float, float, float}|null
     */
    public static function unit(array $v): ?array
    {
        if ($v[2] === 1.0 && $v[0] === 0.0 && $v[1] === 0.0) {
            return $v;
        }
        $length = self::length($v);

        return $length > 1e-12 && is_finite($length) ? [$v[0] / $length, $v[1] / $length, $v[2] / $length] : null;
    }

    /**
     * One way, and another so many times.
     *
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @return array{float, float, float}
     */
    public static function plus(array $a, array $b, float $times = 1.0): array
    {
        return [$a[0] + $times * $b[0], $a[1] + $times * $b[1], $a[2] + $times * $b[2]];
    }

    /**
     * From one place to another.
     *
     * @param  array{float, float, float}  $from
     * @param  array{float, float, float}  $to
     * @return array{float, float, float}
     */
    public static function way(array $from, array $to): array
    {
        return [$to[0] - $from[0], $to[1] - $from[1], $to[2] - $from[2]];
    }

    /**
     * Whether a place of a plane lies within outlines of it, holes being outlines too; looked at along the axis that is nearest to the normal.
     *
     * @param  list<list<array{float, float, float}>>  $loops
     * @param  array{float, float, float}  $normal
     * @param  array{float, float, float}  $at
     */
    public static function encloses(array $loops, array $normal, array $at): bool
    {
        $size = array_map(abs(...), $normal);
        $along = (int) array_search(max($size), $size, true);
        [$u, $v] = [($along + 1) % 3, ($along + 2) % 3];
        $inside = false;
        foreach ($loops as $loop) {
            $p = $loop[count($loop) - 1] ?? $at;
            foreach ($loop as $q) {
                if (($p[$v] > $at[$v]) !== ($q[$v] > $at[$v]) && $at[$u] < $p[$u] + ($at[$v] - $p[$v]) / ($q[$v] - $p[$v]) * ($q[$u] - $p[$u])) {
                    $inside = ! $inside;
                }
                $p = $q;
            }
        }

        return $inside;
    }

    /**
     * @param  list<array{float, float, float}>  $places
     * @return array{float, float, float} the middle of them all, each counted alike; of none the origin
     */
    public static function middle(array $places): array
    {
        $sum = [0.0, 0.0, 0.0];
        foreach ($places as $p) {
            $sum = self::plus($sum, $p);
        }

        $count = max(1, count($places));

        return [$sum[0] / $count, $sum[1] / $count, $sum[2] / $count];
    }
}
