<?php

declare(strict_types=1);

namespace App\Units\Http;

final readonly class AngleReading
{
    public function __construct(
        public float $radians,
        public string $text,
    ) {}
}
