<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/**
 * How well an observation is checked by the others. Source: Baarda's reliability, as in Ghilani & Wolf, *Adjustment Computations*,
 * blunder detection (recalled): redundancy numbers sum to the redundancy; a blunder is found with 80 % probability at a test of 0.1 %
 * when it is as large as the smallest detectable error, 4.13 σ/√r.
 */
final readonly class Reliability
{
    /** Below this an observation is not checked by anything. */
    private const UNCHECKED = 1e-6;

    /**
     * @param  float  $redundancy  0: nothing checks it, 1: it is not needed
     * @param  float|null  $normalised  residual over its own standard deviation; null where nothing checks it
     * @param  float|null  $detectable  smallest error of this observation that would show, in its own unit
     */
    private function __construct(
        public float $redundancy,
        public ?float $normalised,
        public ?float $detectable,
    ) {}

    /** As it was worked out and kept. */
    public static function kept(float $redundancy, ?float $normalised, ?float $detectable): self
    {
        return new self($redundancy, $normalised, $detectable);
    }

    /**
     * Of an observation that may be correlated with others (weights P, residuals v with covariance Qvv).
     *
     * @param  float  $redundancy  its part of the trace of Qvv P
     * @param  float  $weighted  its entry of P v
     * @param  float  $spread  its variance, from the diagonal of P Qvv P
     * @param  float  $weight  its own weight, from the diagonal of P
     */
    public static function ofWeighted(float $redundancy, float $weighted, float $spread, float $weight): self
    {
        return $spread < self::UNCHECKED * $weight
            ? new self(0.0, null, null)
            : new self(min(1.0, max(0.0, $redundancy)), abs($weighted) / sqrt($spread), Significance::DETECTED / sqrt($spread));
    }
}
