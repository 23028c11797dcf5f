<?php

declare(strict_types=1);

namespace Parlay\Words;

/** A direction in words, to the nearest of eight. */
final class Compass
{
    /** @param  float  $azimuth  grid azimuth, radians */
    public static function word(float $azimuth): string
    {
        return ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'][self::eighth($azimuth)];
    }

    /** @param  float  $azimuth  grid azimuth, radians */
    public static function letters(float $azimuth): string
    {
        return ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'][self::eighth($azimuth)];
    }

    private static function eighth(float $azimuth): int
    {
        return (((int) round($azimuth / M_PI_4)) % 8 + 8) % 8;
    }
}
