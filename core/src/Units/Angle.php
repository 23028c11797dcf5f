<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/** Angles in radians; azimuths clockwise from north. */
final class Angle
{
    /** The same direction in [0, 2π). Values within rounding of a whole turn become 0. */
    public static function wrap(float $radians): float
    {
        $wrapped = fmod($radians, 2 * M_PI);
        if ($wrapped < 0) {
            $wrapped += 2 * M_PI;
        }

        return $wrapped >= 2 * M_PI ? 0.0 : $wrapped;
    }

    /** The same turn in (-π, π]. */
    public static function signed(float $radians): float
    {
        $wrapped = self::wrap($radians);

        return $wrapped > M_PI ? $wrapped - 2 * M_PI : $wrapped;
    }

    /** Seconds of arc in radians. */
    public static function fromSeconds(float $seconds): float
    {
        return deg2rad($seconds / 3600);
    }
}
