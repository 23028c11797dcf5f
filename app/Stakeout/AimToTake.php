<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Buildings\ElementPart;
use App\Civil\CivilLay;
use App\Cogo\GivenPlace;
use App\Cogo\GivenPolyline;

/** What was touched in the field, to be staked: a spot, a line, an elevation, an alignment, a surface, or a face or an axis of a thing. */
final readonly class AimToTake
{
    /**
     * nearNorthing, nearEasting: where it was touched; a line begins at the end nearer to it. corners: the ends and corners of the line
     * are taken as well, each to be staked by itself.
     */
    public function __construct(
        public string $key,
        public ?GivenPlace $place = null,
        public ?GivenPolyline $line = null,
        public ?float $elevation = null,
        public ?CivilLay $civil = null,
        public ?float $nearNorthing = null,
        public ?float $nearEasting = null,
        public bool $corners = false,
        public ?ElementPart $part = null,
    ) {}
}
