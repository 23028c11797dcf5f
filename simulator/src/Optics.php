<?php

declare(strict_types=1);

namespace Parlay\Simulator;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Units\Angle;

/**
 * What an instrument would read if it were perfect: the straight line between two places over a round earth, lifted by refraction.
 *
 * Built from vectors, not by turning the reduction in core around, so that each checks the other.
 */
final class Optics
{
    /** @return array{circle: float, zenith: float, slope: float} angles as seen, distance as it is */
    public static function line(Position $axis, Position $prism, float $circleZero, float $refraction = Atmosphere::REFRACTION): array
    {
        $arc = $axis->distanceTo($prism) / Sight::EARTH_RADIUS;
        $radius = Sight::EARTH_RADIUS + $prism->elevation - $axis->elevation;
        $out = $radius * sin($arc);
        $up = $radius * cos($arc) - Sight::EARTH_RADIUS;

        return [
            'circle' => Angle::wrap($axis->azimuthTo($prism) - $circleZero),
            'zenith' => atan2($out, $up) - $refraction * $arc / 2,
            'slope' => hypot($out, $up),
        ];
    }

    /**
     * A place that the telescope points at when it is turned so, at a distance: the way back from line(), found by trying.
     */
    public static function along(
        Position $axis,
        float $circle,
        float $zenith,
        float $slope,
        float $circleZero,
        float $refraction = Atmosphere::REFRACTION,
    ): Position {
        $azimuth = Angle::wrap($circle + $circleZero);
        $place = $axis->along($azimuth, $slope * sin($zenith), (float) $axis->elevation + $slope * cos($zenith));
        for ($i = 0; $i < 4; $i++) {
            $seen = self::line($axis, $place, $circleZero, $refraction);
            // What the round earth and the air bend is made good by raising or lowering it a little, and going on as far as is short.
            $place = $axis->along(
                $azimuth, $axis->distanceTo($place) * $slope / $seen['slope'], (float) $place->elevation + $slope * ($seen['zenith'] - $zenith),
            );
        }

        return $place;
    }

    /**
     * The distance shown: timed in the real air as if it were the reference air, through the real prism, then corrected as the
     * instrument was told.
     */
    public static function shown(float $true, Atmosphere $air, float $prismConstant, float $ppmSet, float $constantSet): float
    {
        $timed = ($true - $prismConstant) * (1 - $air->ppm() * 1e-6);

        return $timed * (1 + $ppmSet * 1e-6) + $constantSet;
    }

    /** @param  array{circle: float, zenith: float, slope: float}  $line */
    public static function reading(array $line, float $shown, float $ppmSet, float $constantSet): RawReading
    {
        return new RawReading($line['circle'], $line['zenith'], $shown, $ppmSet, $constantSet);
    }
}
