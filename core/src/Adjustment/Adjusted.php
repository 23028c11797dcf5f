<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

final readonly class Adjusted
{
    /**
     * @param  list<float>  $unknowns
     * @param  list<list<float>>  $cofactors  inverse of the normal matrix; covariance when the given deviations hold
     * @param  list<float>  $residuals  observed minus adjusted, in each observation's own unit
     * @param  int  $redundancy  observations beyond what is needed
     * @param  float  $variance  weighted square sum over redundancy; 1 means that deviations were as expected, and is 1 with none to spare
     */
    public function __construct(
        public array $unknowns,
        public array $cofactors,
        public array $residuals,
        public int $redundancy,
        public float $variance,
    ) {}

    /** Standard deviation of one unknown from the deviations given beforehand. */
    public function deviation(int $unknown): float
    {
        return sqrt($this->cofactors[$unknown][$unknown]);
    }
}
