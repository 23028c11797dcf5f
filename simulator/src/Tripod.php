<?php

declare(strict_types=1);

namespace Parlay\Simulator;

use Parlay\Core\Geometry\Position;

/** Where the instrument really stands. */
final class Tripod
{
    /**
     * @param  Position  $foot under the trunnion axis
     *  @param  float  $circleZero true grid azimuth of the circle's zero
     *  @param  float  $tilt of the vertical axis, radians; beyond the compensator's range the instrument refuses
     */
    public function __construct(
        public Position $foot,
        public float $height = 1.6,
        public float $circleZero = 0.0,
        public float $tilt = 0.0,
        public ?string $over = null,
    ) {}

    public function axis(): Position
    {
        return $this->foot->at($this->foot->elevation + $this->height);
    }
}
