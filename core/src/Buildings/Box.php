<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

/** Upright boxes about places, least and greatest of each coordinate in metres: whether things may touch one another at all. */
final class Box
{
    /** Boxes farther apart than this hold nothing that touches, metres. */
    public const BESIDE = 1e-5;

    /**
     * @param  list<array{float, float, float}>  $places
     * @return array{array{float, float, float}, array{float, float, float}}
     */
    public static function around(array $places): array
    {
        [$low, $high] = [[INF, INF, INF], [-INF, -INF, -INF]];
        foreach ($places as [$x, $y, $z]) {
            $low = [min($low[0], $x), min($low[1], $y), min($low[2], $z)];
            $high = [max($high[0], $x), max($high[1], $y), max($high[2], $z)];
        }

        return [$low, $high];
    }

    /**
     * @param  array{array{float, float, float}, array{float, float, float}}  $one
     * @param  array{array{float, float, float}, array{float, float, float}}  $other
     */
    public static function meet(array $one, array $other): bool
    {
        [[$low, $high], [$least, $most]] = [$one, $other];

        return $high[0] >= $least[0] - self::BESIDE && $low[0] <= $most[0] + self::BESIDE && $high[1] >= $least[1] - self::BESIDE && $low[1] <= $most[1] + self::BESIDE
            && $high[2] >= $least[2] - self::BESIDE && $low[2] <= $most[2] + self::BESIDE;
    }

    /**
     * Of each face of a solid.
     *
     * @return list<array{array{float, float, float}, array{float, float, float}}>
     */
    public static function ofFaces(Solid $solid): array
    {
        return array_map(static fn (Face $f): array => self::around(array_map(static fn (int $i): array => $solid->corners[$i], $f->outline)), $solid->faces);
    }
}
