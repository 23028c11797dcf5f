<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\Stakeout\Judged;

final readonly class LiveQuery
{
    /**
     * target: a prepared point; aim: what was chosen in the field; by: the line that moves are said along and across, one of those chosen in
     * the field. since: the number of the answer seen last; the next is given as soon as something was said since, or a moment later. judged: what counts, where that is not what the target or its code says.
     */
    public function __construct(
        public ?int $target = null,
        public ?int $aim = null,
        public ?int $by = null,
        public ?Judged $judged = null,
        public ?int $since = null,
    ) {}
}
