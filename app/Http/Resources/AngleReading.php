<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class AngleReading
{
    public function __construct(
        public float $radians,
        public string $text,
    ) {}
}
