<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** Metres, and a grid azimuth in radians. */
#[OA\Schema]
final readonly class InverseResource
{
    public function __construct(
        public float $distance,
        public float $direction,
        public ?float $rise,
    ) {}
}
