<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

/** How far the red dot lies from where the mark belongs: only what counts on such a surface. */
final readonly class DotMiss
{
    /** metres */
    public float $plan;

    /**
     * @param  float  $north  metres that the dot lies north of where it belongs, and east, in plan; on a wall, along it only
     * @param  float|null  $height  metres too high, where the height counts
     * @param  float  $depth  metres that what was hit lies beyond the design, as seen from the instrument: not judged
     * @param  float|null  $moved  how far from its design it is marked, because the wall stands there; metres, null on no wall
     * @param  float|null  $wall  azimuth in which the wall runs, as it was told or found; radians
     * @param  float|null  $through  azimuth of the line along which the design was brought onto the wall; null where square to the wall
     */
    public function __construct(
        public float $north,
        public float $east,
        public ?float $height,
        public float $depth,
        public ?float $moved = null,
        public ?float $wall = null,
        public ?float $through = null,
    ) {
        $this->plan = hypot($north, $east);
    }
}
