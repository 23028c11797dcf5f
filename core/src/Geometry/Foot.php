<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

/** Where a place stands beside a line, and the place on the line square to it. */
final readonly class Foot
{
    /**
     * @param  Position  $place  on the line or its prolongation, with the elevation of the line there
     * @param  float  $along  metres from the beginning; negative before it
     * @param  float  $offset  metres to the right of the line, looking along; negative to the left
     * @param  int  $piece  which piece, from 0
     * @param  float  $azimuth  in which the line runs there, radians
     */
    public function __construct(
        public Position $place,
        public float $along,
        public float $offset,
        public int $piece,
        public float $azimuth,
    ) {}
}
