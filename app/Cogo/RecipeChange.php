<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Points\SeenPoint;

/** How a point is computed from now on, and which of the solutions it is. */
final readonly class RecipeChange
{
    public function __construct(
        public Construction $construction,
        public string $letter = 'A',
        public int $index = 0,
        public ?ElevationWanted $elevation = null,
        public ?SeenPoint $seen = null,
    ) {}
}
