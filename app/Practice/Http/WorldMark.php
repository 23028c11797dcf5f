<?php

declare(strict_types=1);

namespace App\Practice\Http;

final readonly class WorldMark
{
    public function __construct(
        public string $name,
        public float $northing,
        public float $easting,
        public float $elevation,
    ) {}
}
