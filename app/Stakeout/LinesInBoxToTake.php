<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\ListOf;

/** A box drawn on the plan, metres; what lies in it with both ends is meant, on layers that are shown and can be touched. */
final readonly class LinesInBoxToTake
{
    /**
     * layerIds: of these alone; where lines of several layers lie in the box and none is said, it is asked (409).
     *
     * @param  list<int>  $layerIds
     */
    public function __construct(
        public string $key,
        public float $south,
        public float $west,
        public float $north,
        public float $east,
        #[ListOf('int')]
        public array $layerIds = [],
    ) {}
}
