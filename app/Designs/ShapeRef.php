<?php

declare(strict_types=1);

namespace App\Designs;

/** A line or arc of a drawing. */
final readonly class ShapeRef
{
    public function __construct(
        public int $layerId,
        public int $shape,
    ) {}
}
