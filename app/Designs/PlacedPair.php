<?php

declare(strict_types=1);

namespace App\Designs;

/** A control point and where the drawing has it, in drawing units. */
final readonly class PlacedPair
{
    public function __construct(
        public int $controlId,
        public float $x,
        public float $y,
    ) {}
}
