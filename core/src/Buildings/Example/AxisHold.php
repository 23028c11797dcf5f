<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Example;

/** The axis of something round that a spot is held by: of a bolt, or of a hole. */
final readonly class AxisHold
{
    /**
     * @param  int  $index  among the round faces of the thing
     * @param  float  $x  of its direction, of length 1, along the thing's own axes
     * @param  bool  $hollow  a hole
     * @param  int  $rank  among the axes alike along that direction
     * @param  int  $of  how many there are
     */
    public function __construct(
        public int $index,
        public float $x,
        public float $y,
        public float $z,
        public bool $hollow,
        public int $rank,
        public int $of,
    ) {}
}
