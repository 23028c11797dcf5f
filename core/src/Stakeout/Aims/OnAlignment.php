<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

use Parlay\Core\Civil\Alignments\ElementKind;
use Parlay\Core\Civil\Roads\SideSlope;
use Parlay\Core\ListOf;

/** Where the pole stands along and beside an alignment. */
final readonly class OnAlignment
{
    /**
     * @param  float  $station  metres, as it is counted there
     * @param  int  $region  which count, from 1, of how many
     * @param  float  $along  metres from the start
     * @param  float  $offset  metres right of the axis, looking along; negative left
     * @param  int  $element  which one, from 1
     * @param  float|null  $radius  metres there, right positive; null where it is straight
     * @param  float|null  $axis  height of the axis there, metres
     * @param  string  $part  lane, shoulder or slope that the pole stands on
     * @param  float|null  $slope  rise to the right for each metre across, there
     * @param  SideSlope|null  $side  of the road, where the pole stands on it
     * @param  float  $azimuth  in which the alignment runs there, radians
     * @param  list<OtherFoot>  $others  other places of the alignment that the pole stands square to
     */
    public function __construct(
        public float $station,
        public int $region,
        public int $regions,
        public float $along,
        public float $offset,
        public int $element,
        public ElementKind $kind,
        public ?float $radius,
        public ?float $axis,
        public string $part,
        public ?float $slope,
        #[ListOf(OtherFoot::class)]
        public array $others,
        public ?SideSlope $side = null,
        public float $azimuth = 0.0,
    ) {}
}
