<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

use Parlay\Core\Units\Angle;

/** What the instrument said, untouched: angles in radians as the mean of two faces, the distance with what was applied in it. */
final readonly class RawReading
{
    /**
     * @param  float  $circle  horizontal circle, clockwise, from the circle's own zero
     * @param  float  $zenith  zenith angle, 0 is straight up
     * @param  float  $slope  slope distance as shown, metres; 0 where only angles were read
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

    /**
     * A reading of the first face alone, with the instrument's own errors taken out; a mean of two faces has none of them.
     *
     * @param  float  $collimation  half of what level directions of both faces differ by, radians
     * @param  float  $index  half of what the zenith angles of both faces exceed a whole turn by
     */
    public function withoutFaceErrors(float $collimation, float $index): self
    {
        return $collimation === 0.0 && $index === 0.0 ? $this
            : new self(
                Angle::wrap($this->circle - $collimation / max(sin($this->zenith - $index), 1e-3)), $this->zenith - $index,
                $this->slope, $this->ppmApplied, $this->prismConstantApplied,
            );
    }
}
