<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

/** A control point and where the drawing has it, in drawing units. */
#[OA\Schema]
final readonly class PlacedPairBody
{
    public function __construct(
        public int $controlId,
        public float $x,
        public float $y,
    ) {}
}
