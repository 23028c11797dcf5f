<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Geometry\Leg;

/** One of the ways in which a figure comes out: its places and what they measure. */
final readonly class Solution
{
    /**
     * @param  string  $letter  A, B, ...
     * @param  string  $word  what tells it from the others: "to the left of A to B"
     * @param  list<MadePlace>  $places
     * @param  list<Quantity>  $figures
     * @param  list<Leg>  $drawn  lines and arcs of the figure
     */
    public function __construct(
        public string $letter,
        public string $word,
        public array $places,
        public array $figures = [],
        public array $drawn = [],
    ) {}
}
