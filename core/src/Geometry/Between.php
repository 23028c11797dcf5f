<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

/** What lies between two of these in space: places, planes, lines. */
final readonly class Between
{
    /** Directions that differ by less are one, radians: a millimetre in two metres. */
    private const PARALLEL = 5e-4;

    /**
     * @param  float|null  $distance  the shortest, metres; null where they meet somewhere
     * @param  float|null  $angle  between them, radians, at most a right angle; null where there is none, or they are parallel
     * @param  array{float, float, float}|null  $way  east, north and up from one place to the other; null where one is no place
     */
    private function __construct(
        public ?float $distance,
        public ?float $angle = null,
        public ?array $way = null,
    ) {}

    /**
     * @param  array{float, float, float}  $p  east, north and height
     * @param  array{float, float, float}  $q
     */
    public static function places(array $p, array $q): self
    {
        $way = Space::way($p, $q);

        return new self(Space::length($way), null, $way);
    }

    /**
     * @param  array{float, float, float}  $p
     * @param  array{float, float, float}  $on  a place of the plane
     * @param  array{float, float, float}  $normal  of length 1
     */
    public static function placeAndPlane(array $p, array $on, array $normal): self
    {
        return new self(abs(Space::dot(Space::way($on, $p), $normal)));
    }

    /**
     * @param  array{float, float, float}  $p
     * @param  array{float, float, float}  $on  a place of the line
     * @param  array{float, float, float}  $way  of length 1
     */
    public static function placeAndLine(array $p, array $on, array $way): self
    {
        return new self(Space::length(Space::cross($way, Space::way($on, $p))));
    }

    /**
     * @param  array{float, float, float}  $p  a place of the one plane
     * @param  array{float, float, float}  $m  its normal, of length 1
     * @param  array{float, float, float}  $q
     * @param  array{float, float, float}  $n
     */
    public static function planes(array $p, array $m, array $q, array $n): self
    {
        $angle = self::sharp($m, $n);

        return $angle < self::PARALLEL ? new self(abs(Space::dot(Space::way($p, $q), $m))) : new self(null, $angle);
    }

    /**
     * @param  array{float, float, float}  $p  a place of the plane
     * @param  array{float, float, float}  $normal  of length 1
     * @param  array{float, float, float}  $q  a place of the line
     * @param  array{float, float, float}  $way  of length 1
     */
    public static function planeAndLine(array $p, array $normal, array $q, array $way): self
    {
        $angle = M_PI_2 - self::sharp($normal, $way);

        return $angle < self::PARALLEL ? new self(abs(Space::dot(Space::way($p, $q), $normal))) : new self(null, $angle);
    }

    /**
     * @param  array{float, float, float}  $p  a place of the one line
     * @param  array{float, float, float}  $v  of length 1
     * @param  array{float, float, float}  $q
     * @param  array{float, float, float}  $w
     */
    public static function lines(array $p, array $v, array $q, array $w): self
    {
        $angle = self::sharp($v, $w);
        if ($angle < self::PARALLEL) {
            return self::placeAndLine($q, $p, $v);
        }
        $across = Space::unit(Space::cross($v, $w)) ?? $v;

        return new self(abs(Space::dot(Space::way($p, $q), $across)), $angle);
    }

    /**
     * @param  array{float, float, float}  $v
     * @param  array{float, float, float}  $w
     */
    private static function sharp(array $v, array $w): float
    {
        return atan2(Space::length(Space::cross($v, $w)), abs(Space::dot($v, $w)));
    }
}
