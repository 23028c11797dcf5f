<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Alignments;

use Parlay\Core\Geometry\Position;

/** Where a place stands beside an alignment, and the place on it square to that. */
final readonly class AlignmentFoot
{
    /**
     * @param  Position  $place  on the alignment, or straight on beyond its ends
     * @param  float  $along  metres from the start; negative before it, more than its length beyond its end
     * @param  float  $offset  metres to the right, looking along; negative to the left
     * @param  int  $element  which one, from 0
     * @param  float  $azimuth  in which the alignment runs there, radians
     * @param  float  $curvature  there, per metre, right positive
     */
    public function __construct(
        public Position $place,
        public float $along,
        public float $offset,
        public int $element,
        public float $azimuth,
        public float $curvature,
    ) {}
}
