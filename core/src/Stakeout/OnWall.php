<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Geometry\Position;

/**
 * How a design is brought onto a wall that stands somewhere before or behind it: square to the wall, or, where it is one end of a line between two walls, along
 * that line to where the wall cuts it.
 */
final readonly class OnWall
{
    /** A line that meets the wall at less than this, as a sine, is not cut with it: the place would run away. */
    private const GRAZES = 0.17;

    /**
     * @param  float  $azimuth  in which the wall runs, radians
     * @param  float|null  $through  azimuth of the design's own line; null where it has none
     */
    public function __construct(public float $azimuth, public ?float $through = null) {}

    /** Where it is marked, at the design's height, on the wall that passes through a place. */
    public function moved(Position $design, Position $hit): Position
    {
        $normal = $this->azimuth - M_PI_2;
        $depth = ($hit->northing - $design->northing) * cos($normal) + ($hit->easting - $design->easting) * sin($normal);
        $way = $this->through !== null && abs(cos($this->through - $normal)) > self::GRAZES ? $this->through : $normal;

        return $design->along($way, $depth / cos($way - $normal), $design->elevation);
    }

    /** How far along the wall a place lies from where it should be marked; metres, negative against the way the wall runs. */
    public function along(Position $moved, Position $hit): float
    {
        return ($hit->northing - $moved->northing) * cos($this->azimuth) + ($hit->easting - $moved->easting) * sin($this->azimuth);
    }
}
