<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

/** Metres in the direction of a pattern, and to its right. */
#[OA\Schema]
final readonly class OffsetBody
{
    public function __construct(
        public float $along,
        public float $right,
    ) {}
}
