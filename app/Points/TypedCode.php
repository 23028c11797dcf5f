<?php

declare(strict_types=1);

namespace App\Points;

use Parlay\Core\Stakeout\Judged;

/** What a code means: its colour and mark on the plan, its trade, and tolerances of its own; without them the project's hold. aboveTolerance: what may stand above its design, where that is not what may stand below. */
final readonly class TypedCode
{
    public function __construct(
        public string $code,
        public string $description = '',
        public ?string $colour = null,
        public string $mark = '',
        public string $trade = '',
        public ?float $planTolerance = null,
        public ?float $heightTolerance = null,
        public ?TypedCode $seen = null,
        public ?Judged $judged = null,
        public ?float $aboveTolerance = null,
    ) {}
}
