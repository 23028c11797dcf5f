<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\Instrument\Sight;

/** The mean of all rounds of a sight. */
final readonly class SightMean
{
    /**
     * @param  float  $angleFactor  how much less certain its angles are than one mean of two faces
     * @param  bool  $oneFace  all of them in one face only
     * @param  float  $spread  largest difference of a round's direction from the mean, radians
     */
    public function __construct(
        public Sight $sight,
        public float $angleFactor,
        public bool $oneFace,
        public float $spread,
    ) {}
}
