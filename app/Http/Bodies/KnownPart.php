<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

/** A side in metres, or an angle in radians. */
#[OA\Schema]
final readonly class KnownPart
{
    public function __construct(
        public TrianglePart $part,
        public float $value,
    ) {}
}
