<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\Formerly;

/** Places along the line that is staked, each to be staked by itself. */
final readonly class PlacesOnLine
{
    /** distance: from the start; interval: of every so far; offset: metres to the right of the line, looking along it.
     * skew: of an alignment, in which direction the offset goes from its own, radians clockwise; square where null. */
    public function __construct(
        public string $key,
        public PlacesWay $way,
        public int $version,
        public float $distance = 0.0,
        public float $interval = 0.0,
        public int $parts = 0,
        #[Formerly('right')]
        public float $offset = 0.0,
        public ?float $skew = null,
    ) {}
}
