<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

/** By what rule something counts as conforming to its tolerance (JCGM 106:2012, 8.2 and 8.3). */
enum Acceptance: string
{
    /** by the measured figure alone, whatever its uncertainty: the risk is shared */
    case Simple = 'simple';
    /** only where it conforms with the probability that was asked for, and as not conforming only where it does not with the same; between these it is open */
    case Guarded = 'guarded';
}
