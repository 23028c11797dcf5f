<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Geometry\Position;

/** What a sight would say of the place, measured or not yet. */
final readonly class PlannedSight
{
    /** @param  float  $planDeviation  of the control's northing and of its easting, metres */
    public function __construct(
        public string $name,
        public Position $control,
        public float $planDeviation = 0.0,
        public bool $direction = true,
        public bool $distance = true,
    ) {}
}
