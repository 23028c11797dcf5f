<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

use Parlay\Core\Geometry\Position;

/** One slip of the pen in a list of control: what stands there, and what would fit; metres. */
final readonly class Slip
{
    /** @param  Position  $place  that was meant */
    public function __construct(
        public Coordinate $coordinate,
        public float $written,
        public float $meant,
        public Position $place,
    ) {}
}
