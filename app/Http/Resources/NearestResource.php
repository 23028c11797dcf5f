<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class NearestResource
{
    public function __construct(
        public ?int $pointId,
        public int $left,
    ) {}
}
