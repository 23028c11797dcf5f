<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\Bodies\ConstructionBody;
use App\Http\Bodies\ElevationBody;
use OpenApi\Attributes as OA;

/** How a point was made; without a construction it was typed or came from a file. */
#[OA\Schema]
final readonly class RecipeResource
{
    public function __construct(
        public string $description,
        public ?ConstructionBody $construction,
        public string $letter,
        public int $index,
        public ?ElevationBody $elevation,
    ) {}
}
