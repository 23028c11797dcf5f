<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

/** A shift in metres and a rotation in radians, clockwise about the drawing’s own origin. */
#[OA\Schema]
final readonly class TypedPlacementBody
{
    public function __construct(
        public float $dNorthing,
        public float $dEasting,
        public float $rotation = 0.0,
    ) {}
}
