<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Geometry\Position;

/** A shot on a face, in the face's own coordinates: along it, up it, and how far in front of its design. */
final class FaceShot
{
    /** A face whose normal rises more than this is level: a slab, not a wall. */
    private const LEVEL = 0.7;

    /** A face whose normal rises more than this is none that should stand upright. */
    private const SLANTED = 0.1;

    /**
     * Of a level face one coordinate along easting and one along northing, of another one along its level line, to the right as seen from outside, and its elevation.
     *
     * @param  array{float, float, float}  $normal  outward: east, north and up, of length 1
     * @param  float  $before  metres in front of the design, negative behind
     * @return array{float, float, float} metres
     */
    public static function of(array $normal, Position $p, float $before): array
    {
        [$x, $y, $z] = $normal;

        return abs($z) > self::LEVEL
            ? [$p->easting, $p->northing, $before]
            : [($p->northing * $x - $p->easting * $y) / hypot($x, $y), (float) $p->elevation, $before];
    }

    /**
     * @param  array{float, float, float}  $normal
     * @return float|null azimuth to which a face that should stand upright looks, radians; null of any other
     */
    public static function upright(array $normal): ?float
    {
        return abs($normal[2]) > self::SLANTED ? null : atan2($normal[0], $normal[1]);
    }
}
