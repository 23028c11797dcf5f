<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

/** How a point is computed from now on, and which of the solutions it is. */
#[OA\Schema]
final readonly class RecipeBody
{
    public function __construct(
        public ConstructionBody $construction,
        public string $letter = 'A',
        public int $index = 0,
        public ?ElevationBody $elevation = null,
        public ?SeenPoint $seen = null,
    ) {}
}
