<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

/** Keeps the lines and arcs of a construction as a drawing of its own. */
#[OA\Schema]
final readonly class KeepLinesBody
{
    public function __construct(
        public ConstructionBody $construction,
        public string $name,
        public string $letter = 'A',
    ) {}
}
