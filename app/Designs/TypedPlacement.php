<?php

declare(strict_types=1);

namespace App\Designs;

/** A shift in metres and a rotation in radians, clockwise about the drawing’s own origin. */
final readonly class TypedPlacement
{
    public function __construct(
        public float $dNorthing,
        public float $dEasting,
        public float $rotation = 0.0,
    ) {}
}
