<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class ResidualResource
{
    public function __construct(
        public string $name,
        public bool $used,
        public ?float $direction,
        public ?float $across,
        public ?float $distance,
        public ?float $height,
    ) {}
}
