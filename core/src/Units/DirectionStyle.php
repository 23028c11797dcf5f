<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/** How a project writes directions: azimuth from north, or quadrant bearing (N 45°30′15″ E). */
enum DirectionStyle: string
{
    case Azimuth = 'azimuth';
    case Bearing = 'bearing';

    /**
     * @param  float  $azimuth  grid azimuth, radians clockwise from north
     * @param  int  $finer  decimal places more than usual
     */
    public function format(float $azimuth, AngleStyle $angle, int $finer = 0): string
    {
        $azimuth = Angle::wrap($azimuth);
        if ($this === self::Azimuth) {
            return $angle->format($azimuth, $finer);
        }
        $north = $azimuth <= M_PI_2 || $azimuth >= 3 * M_PI_2;
        $east = $azimuth <= M_PI;
        $off = $north ? min($azimuth, 2 * M_PI - $azimuth) : abs(M_PI - $azimuth);

        return ($north ? 'N ' : 'S ').$angle->format($off, $finer).($east ? ' E' : ' W');
    }
}
