<?php

declare(strict_types=1);

namespace App\Stakeout;

/** A line beside and above the one that was touched. */
final readonly class Parallel
{
    /** right: metres to the right of the line, looking along it; negative to the left. raised: metres above its heights. */
    public function __construct(
        public float $right = 0.0,
        public float $raised = 0.0,
        public string $name = '',
    ) {}
}
