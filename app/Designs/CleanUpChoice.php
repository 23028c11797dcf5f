<?php

declare(strict_types=1);

namespace App\Designs;

final readonly class CleanUpChoice
{
    public function __construct(
        public bool $duplicates = false,
        public bool $zeroLengths = false,
        public bool $overlaps = false,
    ) {}
}
