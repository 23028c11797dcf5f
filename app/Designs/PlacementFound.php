<?php

declare(strict_types=1);

namespace App\Designs;

use Parlay\Core\ListOf;

final readonly class PlacementFound
{
    /**
     * @param  float  $rotation  radians, clockwise
     * @param  list<float>  $residuals  metres, in the order of the pairs
     */
    public function __construct(
        public PlacementChosen $placement,
        public float $rotation,
        public float $scale,
        #[ListOf('float')]
        public array $residuals,
    ) {}
}
