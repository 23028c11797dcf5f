<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Alignments;

/** A place where the stations jump: what was counted before it ends with one figure, what follows begins with another. */
final readonly class StationEquation
{
    /**
     * @param  float  $at  metres from the start of the alignment
     * @param  float  $back  station that the part before ends with, metres
     * @param  float  $ahead  station that the part after begins with
     */
    public function __construct(public float $at, public float $back, public float $ahead) {}
}
