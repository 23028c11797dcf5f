<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/** One observation equation, linearised: coefficients of the unknowns, observed minus computed, and its standard deviation. */
final readonly class Equation
{
    /** @param  list<float>  $coefficients one for each unknown */
    public function __construct(
        public array $coefficients,
        public float $misclosure,
        public float $deviation,
    ) {}
}
