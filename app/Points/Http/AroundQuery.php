<?php

declare(strict_types=1);

namespace App\Points\Http;

final readonly class AroundQuery
{
    public function __construct(
        public float $northing,
        public float $easting,
        public ?float $elevation = null,
    ) {}
}
