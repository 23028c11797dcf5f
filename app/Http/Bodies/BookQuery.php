<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class BookQuery
{
    public function __construct(
        public ?int $before = null,
    ) {}
}
