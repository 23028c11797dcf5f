<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\Formerly;

/** A line beside and above the one that was touched. */
final readonly class Parallel
{
    /** offset: metres to the right of the line, looking along it; negative to the left. verticalOffset: metres above its heights. */
    public function __construct(
        #[Formerly('right')]
        public float $offset = 0.0,
        #[Formerly('raised')]
        public float $verticalOffset = 0.0,
        public string $name = '',
    ) {}
}
