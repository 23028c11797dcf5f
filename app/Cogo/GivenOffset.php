<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\Formerly;

/** Metres in the direction of a pattern, and to its right. */
final readonly class GivenOffset
{
    public function __construct(
        public float $along,
        #[Formerly('right')]
        public float $offset,
    ) {}
}
