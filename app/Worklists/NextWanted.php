<?php

declare(strict_types=1);

namespace App\Worklists;

use Parlay\Core\ListOf;

/** Which point is to come next, among those that are still open. */
final readonly class NextWanted
{
    /**
     * northing, easting: where one stands. list: only among the points of this worklist; only: or among these, where any are named. rule: which of
     * them comes next; after: the one staked last.
     *
     * @param  list<int>  $only
     */
    public function __construct(
        public float $northing,
        public float $easting,
        public ?int $list = null,
        #[ListOf('int')]
        public array $only = [],
        public NextRule $rule = NextRule::Nearest,
        public ?int $after = null,
    ) {}
}
