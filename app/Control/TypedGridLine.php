<?php

declare(strict_types=1);

namespace App\Control;

final readonly class TypedGridLine
{
    public function __construct(
        public string $name,
        public string $family,
        public float $northing1,
        public float $easting1,
        public float $northing2,
        public float $easting2,
        public bool $ring = false,
        public ?TypedGridLine $seen = null,
    ) {}
}
