<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Designs\TouchedSpot;

final readonly class NewPoint
{
    /** Either a spot of a drawing, whose coordinates are then computed, or a northing and an easting. */
    public function __construct(
        public string $name,
        public ?TouchedSpot $spot = null,
        public ?float $northing = null,
        public ?float $easting = null,
        public ?float $elevation = null,
        public string $code = '',
        public string $description = '',
    ) {}
}
