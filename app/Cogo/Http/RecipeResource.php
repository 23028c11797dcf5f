<?php

declare(strict_types=1);

namespace App\Cogo\Http;

use App\Cogo\Construction;
use App\Cogo\ElevationWanted;

/** How a point was made; without a construction it was typed or came from a file. */
final readonly class RecipeResource
{
    public function __construct(
        public string $description,
        public ?Construction $construction,
        public string $letter,
        public int $index,
        public ?ElevationWanted $elevation,
    ) {}
}
