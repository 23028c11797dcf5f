<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Roads;

/** Cross-falls of both sides at a station; between two of them they change evenly. */
final readonly class Superelevation
{
    /**
     * @param  float  $along  metres from the start of the alignment
     * @param  float  $left  rise outward for each metre
     * @param  float  $right  rise outward for each metre
     */
    public function __construct(public float $along, public float $left, public float $right) {}
}
