<?php

declare(strict_types=1);

namespace App\Setups;

/** A line that can be seen on site: a line of the grid, of a drawing, or between two places. */
final readonly class DraftLine
{
    /**
     * offset: how far to the right of it, seen from its first end, the shots were taken; metres. deviation: how well it is marked on site as a whole, one standard
     * deviation, metres; null where nobody said, as in setups of earlier versions, which took it for perfect.
     */
    public function __construct(
        public string $name,
        public float $northing1,
        public float $easting1,
        public float $northing2,
        public float $easting2,
        public float $offset = 0.0,
        public ?float $deviation = null,
    ) {}
}
