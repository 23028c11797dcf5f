<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\Reliability;

/** How a shot along a line agrees with the place found; metres. */
final readonly class ShotResidual
{
    /**
     * @param  string  $line  name of the line it was shot at
     * @param  float  $offset  to the right of it
     * @param  Reliability|null  $reliability  how far the others check it; null where it is not in use
     * @param  float|null  $moves  how far the station would move without it; null where it can't do without, or the shot is not in use
     */
    public function __construct(
        public string $line,
        public float $offset,
        public ?Reliability $reliability = null,
        public ?float $moves = null,
    ) {}
}
