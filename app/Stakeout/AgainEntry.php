<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Deviation;

/** How a mark differs from the one that was made of the same thing from another setup. */
final readonly class AgainEntry
{
    /**
     * name, setupNumber: of the other mark. difference: this one less the other. expectedPlan, expectedHeight: what both let expect of it, 95 of 100, metres; null where there is no height. agrees: whether it is no
     * larger than comes in 99 of 100. mean: of both, weighted by their uncertainties; meanPlan, meanHeight: how far it may be wrong, 95 of 100, metres.
     */
    public function __construct(
        public int $markId,
        public string $name,
        public int $setupNumber,
        public Deviation $difference,
        public float $expectedPlan,
        public ?float $expectedHeight,
        public bool $agrees,
        public Position $mean,
        public float $meanPlan,
        public ?float $meanHeight,
    ) {}
}
