<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\Stakeout\MarkedOn;

/** That a mark was made with the red dot, and on what: it counts otherwise on a floor than on a wall. */
final readonly class DotMarked
{
    /** wall: azimuth in which the wall runs, radians; null where it is square to the beam. elevation: at which it was made, metres; null at that of the design. */
    public function __construct(
        public MarkedOn $on,
        public ?float $wall = null,
        public ?float $elevation = null,
    ) {}
}
