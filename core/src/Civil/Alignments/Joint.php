<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Alignments;

use Parlay\Core\Units\Angle;

/** How two elements meet. */
final readonly class Joint
{
    /**
     * @param  int  $element  the second of both, from 0
     * @param  float  $along  metres from the start of the alignment
     * @param  float  $gap  metres between the end of the one and the start of the other
     * @param  float  $kink  radians that the direction changes by, right positive
     */
    private function __construct(public int $element, public float $along, public float $gap, public float $kink) {}

    public static function between(Element $one, Element $other, int $element, float $along): self
    {
        return new self($element, $along, $one->end()->distanceTo($other->start), Angle::signed($other->azimuth - $one->endAzimuth()));
    }
}
