<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/**
 * How well an observation is checked by the others. Source: Baarda's reliability, as in Ghilani & Wolf, *Adjustment Computations*, blunder
 * detection (recalled): redundancy numbers sum to the redundancy; a blunder is found with 80 % probability at a test of 0.1 % when it is as large as the
 * smallest detectable error, 4.13 σ/√r.
 */
final readonly class Reliability
{
    private const DETECTED = 4.13;

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

    /**
     * @param  list<Equation>  $equations  at the solution
     * @param  list<list<float>>  $cofactors
     * @return list<self> in the order of the equations
     */
    public static function of(array $equations, array $cofactors): array
    {
        return array_map(static function (Equation $e) use ($cofactors): self {
            $fitted = 0.0;
            foreach ($e->coefficients as $i => $a) {
                foreach ($e->coefficients as $k => $b) {
                    $fitted += $a * $cofactors[$i][$k] * $b;
                }
            }
            $r = min(1.0, max(0.0, 1 - $fitted / $e->deviation ** 2));

            return $r < self::UNCHECKED ? new self(0.0, null, null) : new self($r, abs($e->misclosure) / ($e->deviation * sqrt($r)), self::DETECTED * $e->deviation / sqrt($r));
        }, $equations);
    }
}
