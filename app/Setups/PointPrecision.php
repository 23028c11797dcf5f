<?php

declare(strict_types=1);

namespace App\Setups;

final readonly class PointPrecision
{
    /** major: half the longer axis of its 95 % ellipse for the setup’s sake, metres. */
    public function __construct(
        public string $name,
        public float $northing,
        public float $easting,
        public float $major,
        public float $minor,
        public float $azimuth,
    ) {}
}
