<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Civil\Roads\SectionPoint;
use Parlay\Core\ListOf;

/** What lies across an alignment at one station. */
final readonly class RoadSection
{
    /**
     * @param  float  $along  metres from the start
     * @param  float|null  $axis  height of the profile there
     * @param  list<SectionPoint>  $design  from left to right
     * @param  list<HeightsAlong>  $surfaces
     */
    public function __construct(
        public float $along,
        public float $station,
        public int $region,
        public ?float $axis,
        #[ListOf(SectionPoint::class)]
        public array $design,
        #[ListOf(HeightsAlong::class)]
        public array $surfaces,
    ) {}
}
