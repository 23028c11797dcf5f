<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\Stakeout\Provable;
use Parlay\Core\Stakeout\Tolerance;

final readonly class ProvableEntry
{
    /**
     * planUncertain, heightUncertain: of a mark made there from where one stands, 95 of 100, metres; null where it can't differ or is not judged. planTolerance, heightTolerance: it is
     * held against, metres. probability: that it conforms where it is found exactly as designed, level: what the project asks for. provable: whether that is reached.
     */
    public function __construct(
        public ?float $planUncertain,
        public ?float $heightUncertain,
        public float $planTolerance,
        public float $heightTolerance,
        public ?float $aboveTolerance,
        public float $probability,
        public float $level,
        public bool $provable,
    ) {}

    public static function of(Provable $p, Tolerance $tolerance, float $level): self
    {
        return new self(
            planUncertain: $p->plan === null ? null : $p->planUncertain, heightUncertain: $p->height === null ? null : $p->heightUncertain,
            planTolerance: $tolerance->plan, heightTolerance: $tolerance->height, aboveTolerance: $tolerance->above, probability: $p->probability(), level: $level, provable: $p->probability() >= $level,
        );
    }
}
