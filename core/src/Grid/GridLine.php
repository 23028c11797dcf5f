<?php

declare(strict_types=1);

namespace Parlay\Core\Grid;

use Parlay\Core\Geometry\Position;

/** A named line of a building's grid, from one end to the other; a ring runs about its first place through the second. */
final readonly class GridLine
{
    /** @param  string  $family  lines that run alike: "letters", "numbers", "rings" */
    public function __construct(
        public string $name,
        public string $family,
        public Position $from,
        public Position $to,
        public bool $ring = false,
    ) {}
}
