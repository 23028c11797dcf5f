<?php

declare(strict_types=1);

namespace App\Control\Http;

final readonly class GridLineBody
{
    public function __construct(
        public string $name,
        public string $family,
        public float $northing1,
        public float $easting1,
        public float $northing2,
        public float $easting2,
        public bool $ring = false,
        public ?GridLineBody $seen = null,
    ) {}
}
