<?php

declare(strict_types=1);

namespace App\Practice\Http;

final readonly class WorldAir
{
    public function __construct(
        public float $pressure,
        public float $temperature,
    ) {}
}
