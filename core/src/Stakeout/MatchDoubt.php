<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

/** Why it is not plain of which design a shot is. */
enum MatchDoubt: string
{
    /** another design lies nearly as near */
    case Second = 'second';
    /** another shot lies at the same design */
    case Shared = 'shared';
}
