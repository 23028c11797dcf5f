<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Alignments;

/** A point of intersection: where two straight ways would meet, and how they are rounded there. */
final readonly class Corner
{
    /**
     * @param  float  $radius  metres; 0 leaves the corner sharp
     * @param  float  $spiralIn  length of the clothoid before the arc, metres; 0 where there is none
     * @param  float  $spiralOut  and after it
     */
    public function __construct(
        public float $northing,
        public float $easting,
        public float $radius = 0.0,
        public float $spiralIn = 0.0,
        public float $spiralOut = 0.0,
    ) {}
}
