<?php

declare(strict_types=1);

namespace App\Setups;

/** A check shot held against what was to be expected; metres. */
final readonly class CheckTaken
{
    /** expectedPlan, expectedHeight: in 95 of 100 cases the difference is smaller. holds: in 99 of 100 a setup that holds gives such a difference. */
    public function __construct(
        public int $markId,
        public string $at,
        public string $name,
        public float $plan,
        public float $expectedPlan,
        public ?float $height,
        public ?float $expectedHeight,
        public bool $holds,
    ) {}
}
