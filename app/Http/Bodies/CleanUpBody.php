<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class CleanUpBody
{
    public function __construct(
        public bool $duplicates = false,
        public bool $zeroLengths = false,
        public bool $overlaps = false,
    ) {}
}
