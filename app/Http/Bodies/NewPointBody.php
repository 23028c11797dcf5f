<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class NewPointBody
{
    /** Either a spot of a drawing, whose coordinates are then computed, or a northing and an easting. */
    public function __construct(
        public string $name,
        public ?SpotBody $spot = null,
        public ?float $northing = null,
        public ?float $easting = null,
        public ?float $elevation = null,
        public string $code = '',
        public string $description = '',
    ) {}
}
