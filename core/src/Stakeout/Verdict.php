<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

/** By the measured figure alone; Undecided where nothing could be compared. */
enum Verdict: string
{
    case In = 'in';
    case Out = 'out';
    case Undecided = 'undecided';
}
