<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class PositionBody
{
    public function __construct(
        public float $northing,
        public float $easting,
        public ?float $elevation = null,
    ) {}
}
