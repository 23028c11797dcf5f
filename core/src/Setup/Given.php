<?php

declare(strict_types=1);

namespace Parlay\Core\Setup;

use Parlay\Core\Geometry\Position;

/** What is known of the station before anything is sighted from it. */
final readonly class Given
{
    /**
     * @param  Position|null  $place  the mark; its elevation is given too where there is one
     * @param  float  $placeDeviation  of its northing and of its easting, with centring the instrument over it; metres
     * @param  float  $heightDeviation  of its elevation and of the instrument height; metres
     * @param  float|null  $orientation  radians
     */
    public function __construct(
        public ?Position $place = null,
        public float $placeDeviation = 0.0,
        public float $heightDeviation = 0.0,
        public ?float $orientation = null,
        public float $orientationDeviation = 0.0,
    ) {}
}
