<?php

declare(strict_types=1);

namespace App\Cogo\Http;

final readonly class PositionBody
{
    public function __construct(
        public float $northing,
        public float $easting,
        public ?float $elevation = null,
    ) {}
}
