<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

use Parlay\Core\Units\Angle;

/** A place on the site grid, metres; an elevation of null means that none is known, which is not 0. */
final readonly class Position
{
    /** Metres of the site's grid; without an elevation where none is known. */
    public function __construct(
        public float $northing,
        public float $easting,
        public ?float $elevation = null,
    ) {}

    /** Horizontal distance, metres. */
    public function distanceTo(self $other): float
    {
        return hypot($other->northing - $this->northing, $other->easting - $this->easting);
    }

    /** Grid azimuth [0, 2π); 0 where both places coincide. */
    public function azimuthTo(self $other): float
    {
        return Angle::wrap(atan2($other->easting - $this->easting, $other->northing - $this->northing));
    }

    /** The place at a grid azimuth and horizontal distance, at the elevation given. */
    public function along(float $azimuth, float $distance, ?float $elevation = null): self
    {
        return new self($this->northing + $distance * cos($azimuth), $this->easting + $distance * sin($azimuth), $elevation);
    }

    /** The same place with another elevation, or none. */
    public function at(?float $elevation): self
    {
        return new self($this->northing, $this->easting, $elevation);
    }
}
