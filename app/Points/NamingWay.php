<?php

declare(strict_types=1);

namespace App\Points;

/** How many points made at once are named. */
enum NamingWay: string
{
    /** a prefix and the next free numbers */
    case Numbered = 'numbered';
    /** the name, a dot, and what the place is of its figure: H.1a */
    case ByPlace = 'byPlace';
    /** the name of the point that each was made about, a dot, and a number: A1.3 */
    case BySource = 'bySource';
}
