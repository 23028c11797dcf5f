<?php

declare(strict_types=1);

namespace App\Units\Http;

final readonly class LengthReading
{
    public function __construct(
        public float $metres,
        public string $text,
    ) {}
}
