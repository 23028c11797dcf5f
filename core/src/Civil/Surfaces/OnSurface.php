<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

use Parlay\Core\Geometry\Position;
use Parlay\Core\ListOf;
use Parlay\Core\Units\Angle;

/** A surface at one place: its height, how it falls, and the triangle that says so. */
final readonly class OnSurface
{
    /** Outside by less, of the triangle's own size, is on its edge. */
    private const ON_EDGE = 1e-9;

    /**
     * @param  float  $elevation  metres
     * @param  float  $slope  fall for each metre of way in plan, steepest; 0 where it is level
     * @param  float  $falls  grid azimuth downhill, radians; 0 where it is level
     * @param  array{Position, Position, Position}  $triangle
     */
    private function __construct(
        public float $elevation,
        public float $slope,
        public float $falls,
        #[ListOf(Position::class)]
        public array $triangle,
    ) {}

    /** @param  array{Position, Position, Position}  $triangle */
    public static function of(array $triangle, float $northing, float $easting): self
    {
        [$a] = $triangle;
        [$toNorth, $toEast] = self::gradient($triangle);

        return new self(
            (float) $a->elevation + ($northing - $a->northing) * $toNorth + ($easting - $a->easting) * $toEast,
            hypot($toNorth, $toEast),
            $toNorth === 0.0 && $toEast === 0.0 ? 0.0 : Angle::wrap(atan2(-$toEast, -$toNorth)),
            $triangle,
        );
    }

    /**
     * Shares of the second and third corner in a place; null where it lies outside, or the triangle has no area.
     *
     * @param  array{Position, Position, Position}  $triangle
     * @return array{float, float}|null
     */
    public static function within(array $triangle, float $northing, float $easting): ?array
    {
        [$a, $b, $c] = $triangle;
        [$bn, $be, $cn, $ce] = [$b->northing - $a->northing, $b->easting - $a->easting, $c->northing - $a->northing, $c->easting - $a->easting];
        $area = $bn * $ce - $cn * $be;
        if ($area === 0.0) {
            return null;
        }
        [$dn, $de] = [$northing - $a->northing, $easting - $a->easting];
        $u = ($dn * $ce - $de * $cn) / $area;
        $v = ($de * $bn - $dn * $be) / $area;

        return $u < -self::ON_EDGE || $v < -self::ON_EDGE || $u + $v > 1.0 + self::ON_EDGE ? null : [$u, $v];
    }

    /**
     * @param  array{Position, Position, Position}  $triangle
     * @return array{float, float} rise for each metre to the north, and to the east
     */
    public static function gradient(array $triangle): array
    {
        [$a, $b, $c] = $triangle;
        [$bn, $be, $cn, $ce] = [$b->northing - $a->northing, $b->easting - $a->easting, $c->northing - $a->northing, $c->easting - $a->easting];
        [$bz, $cz] = [$b->elevation - $a->elevation, $c->elevation - $a->elevation];
        $area = $bn * $ce - $cn * $be;

        return $area === 0.0 ? [0.0, 0.0] : [($bz * $ce - $cz * $be) / $area, ($bn * $cz - $cn * $bz) / $area];
    }
}
