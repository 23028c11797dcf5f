<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

/** What the instrument said, untouched: angles in radians as the mean of two faces, the distance with what was applied in it. */
final readonly class RawReading
{
    /**
     * @param  float  $circle  horizontal circle, clockwise, from the circle's own zero
     * @param  float  $zenith  zenith angle, 0 is straight up
     * @param  float  $slope  slope distance as shown, metres
     * @param  float  $ppmApplied  atmospheric correction already in the distance
     * @param  float  $prismConstantApplied  prism constant already in the distance, metres
     */
    public function __construct(
        public float $circle,
        public float $zenith,
        public float $slope,
        public float $ppmApplied = 0.0,
        public float $prismConstantApplied = 0.0,
    ) {}
}
