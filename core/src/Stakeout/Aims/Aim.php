<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Judged;

/**
 * What is staked: a point, a line, an elevation. From what it says is designed where the pole stands follow the moves (Guidance), whether
 * it is in (Deviation), and what is written into the field book (Designed).
 */
interface Aim
{
    public function designedAt(Position $pole): Designed;

    /** What of a mark made to it can be judged at all, where nothing else was wished. */
    public function judges(): Judged;
}
