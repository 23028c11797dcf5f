<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;

/** What is known of the station before anything is sighted from it. */
final readonly class StationConstraint
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

    /**
     * A mark with an instrument over it: centred no better than a pole, its height no better taped than a pole's.
     *
     * @param  float  $planDeviation  of the mark's northing and of its easting, metres
     * @param  float  $heightDeviation  of its elevation
     */
    public static function mark(Position $mark, float $planDeviation, float $heightDeviation, Accuracy $accuracy): self
    {
        return new self($mark, hypot($planDeviation, $accuracy->centring), hypot($heightDeviation, $accuracy->height));
    }
}
