<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\ListOf;

/** Points that get the elevation of a surface. */
final readonly class SurfaceElevations
{
    /**
     * @param  list<int>  $ids
     * @param  float  $verticalOffset  metres above the surface, negative below
     */
    public function __construct(
        #[ListOf('int')]
        public array $ids,
        public int $surfaceId,
        public float $verticalOffset = 0.0,
    ) {}
}
