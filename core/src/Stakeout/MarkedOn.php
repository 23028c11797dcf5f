<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

/** What the red dot is to mark. */
enum MarkedOn: string
{
    /** a floor or ceiling: the dot lies where the design does in plan, whatever its height */
    case Slab = 'slab';
    /** a wall: the dot lies where the design does along the wall and in height, however far the wall is off */
    case Wall = 'wall';
    /** whatever is hit on the way to the design */
    case Ray = 'ray';
}
