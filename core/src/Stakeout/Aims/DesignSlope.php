<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

use Parlay\Core\Geometry\Position;

/** How a design rises about a place of it: what it says a few centimetres beside a mark, long after the design itself has changed. */
final class DesignSlope
{
    /** The rise is taken over this way, metres. */
    private const WAY = 0.1;

    /**
     * @param  Designed  $designed  what the aim says there
     * @param  float  $azimuth  radians
     * @return float|null metres for each metre; null where the design has no height there, or a little farther on
     */
    public static function toward(Aim $aim, Designed $designed, float $azimuth): ?float
    {
        $here = $designed->place->elevation;
        $beside = $aim->designedAt($designed->place->along($azimuth, self::WAY, $here))->place->elevation;

        return $beside === null || $here === null ? null : ($beside - $here) / self::WAY;
    }

    /**
     * What is designed at a place close by.
     *
     * @param  float  $toNorth  rise for each metre
     */
    public static function at(Position $design, float $toNorth, float $toEast, Position $close): Position
    {
        return $close->at($design->elevation === null ? null : $design->elevation
            + ($close->northing - $design->northing) * $toNorth + ($close->easting - $design->easting) * $toEast);
    }
}
