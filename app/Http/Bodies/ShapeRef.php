<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

/** A line or arc of a drawing. */
#[OA\Schema]
final readonly class ShapeRef
{
    public function __construct(
        public int $layerId,
        public int $shape,
    ) {}
}
