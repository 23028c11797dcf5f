<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

/** One of the places where the instrument may stand. */
#[OA\Schema]
final readonly class PlaceResource
{
    /**
     * shots: where the shots on lines lie then. onDrawn: how many lie on the drawn parts; null where it is no grid.
     *
     * @param  list<PositionResource>  $shots
     */
    public function __construct(
        public float $northing,
        public float $easting,
        public float $orientation,
        public ?int $onDrawn,
        #[ListOf(PositionResource::class)]
        public array $shots,
    ) {}
}
