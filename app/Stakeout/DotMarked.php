<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\Stakeout\MarkedOn;
use Parlay\Core\Stakeout\OnWall;

/** That a mark was made with the red dot, and on what: it counts otherwise on a floor than on a wall. */
final readonly class DotMarked
{
    /**
     * wall: azimuth in which the wall runs, radians; on a wall it is needed. through: azimuth of the line whose end the design is, which is cut with the wall; null
     * where it is brought onto the wall square. elevation: at which it was made, metres; null at that of the design.
     */
    public function __construct(
        public MarkedOn $on,
        public ?float $wall = null,
        public ?float $elevation = null,
        public ?float $through = null,
    ) {}

    /** @throws \DomainException where nobody said how the wall runs */
    public function onWall(): OnWall
    {
        return new OnWall($this->wall ?? throw new \DomainException(
            'Nobody said how the wall runs, and square to the beam it seldom stands: give the azimuth of the wall, or let a run with the dot find it from two hits.',
        ), $this->through);
    }
}
