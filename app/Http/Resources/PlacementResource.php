<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\Bodies\PlacementBody;
use App\Http\ListOf;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class PlacementResource
{
    /**
     * @param  float  $rotation  radians, clockwise
     * @param  list<float>  $residuals  metres, in the order of the pairs
     */
    public function __construct(
        public PlacementBody $placement,
        public float $rotation,
        public float $scale,
        #[ListOf('float')]
        public array $residuals,
    ) {}
}
