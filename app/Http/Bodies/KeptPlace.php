<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

/** One place of one solution; without a name it gets one by the way of naming. */
#[OA\Schema]
final readonly class KeptPlace
{
    public function __construct(
        public string $letter,
        public int $index,
        public ?string $name = null,
    ) {}
}
