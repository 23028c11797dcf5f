<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\Significance;

/** The scale of all distances, solved beside the setup as a check. */
final readonly class FreeScale
{
    /**
     * @param  float  $ppm  how much too long the distances are, parts per million
     * @param  float  $deviation  of it
     */
    public function __construct(
        public float $ppm,
        public float $deviation,
    ) {}

    /** Whether it differs from the scale in use by more than its deviation lets expect. */
    public function differs(): bool
    {
        return abs($this->ppm) > Significance::NINETY_FIVE * $this->deviation;
    }
}
