<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Example;

use Parlay\Core\ListOf;

/** A spot of a thing, held by its faces and axes, not by figures: on a plate that is wider it is in the corner, too. */
final readonly class ElementSpot
{
    /**
     * @param  string  $topology  of the thing the holds are counted in (Parts)
     * @param  list<FaceHold>  $faces  three of a corner, two of an edge, one of a face's centre or of where an axis goes through
     * @param  int  $rank  which of several edges between the same two faces; which end of an axis, 1 for the one farther along it
     */
    public function __construct(
        public ElementSpotKind $kind,
        public string $topology,
        #[ListOf(FaceHold::class)]
        public array $faces = [],
        public ?AxisHold $axis = null,
        public int $rank = 0,
    ) {}
}
