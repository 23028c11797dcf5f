<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use OpenApi\Attributes as OA;
use Parlay\Core\Units\LengthUnit;

#[OA\Schema]
final readonly class ComputePlacementBody
{
    /** @param  list<PlacedPairBody>  $pairs */
    public function __construct(
        public LengthUnit $unit,
        #[ListOf(PlacedPairBody::class)]
        public array $pairs = [],
        public bool $withScale = false,
        public ?TypedPlacementBody $typed = null,
    ) {}
}
