<?php

declare(strict_types=1);

namespace Parlay\Core\Setup;

/** One observation in the adjustment; radians for angles, metres for lengths. */
final readonly class ObservedResidual
{
    /**
     * @param  float  $residual  observed minus adjusted
     * @param  float  $deviation  its standard deviation as stated beforehand, with how the target was held
     * @param  float  $redundancy  0: nothing checks it, 1: it is not needed
     * @param  float|null  $normalised  null where nothing checks it
     * @param  float|null  $detectable  the smallest error of it that would show (80 % at a test of 0.1 %)
     */
    public function __construct(
        public ObservedKind $kind,
        public float $residual,
        public float $deviation,
        public float $redundancy,
        public ?float $normalised,
        public ?float $detectable,
    ) {}
}
