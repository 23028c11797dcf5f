<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

/** The scale of all distances, solved beside the setup as a check. */
final readonly class FreeScale
{
    /** In 95 of 100 cases a true scale of 1 is found this near, in deviations. */
    private const WITHIN = 1.96;

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
        return abs($this->ppm) > self::WITHIN * $this->deviation;
    }
}
