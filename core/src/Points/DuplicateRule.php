<?php

declare(strict_types=1);

namespace Parlay\Core\Points;

/** What becomes of a point whose name is taken. There is no default: it is always decided. */
enum DuplicateRule: string
{
    /** Both are kept under the one name, as the two ends of one thing. */
    case Pair = 'pair';
    /** The later gets the first free of name-2, name-3 … */
    case Rename = 'rename';
    /** The later takes the earlier one's place. */
    case Replace = 'replace';
    /** The later is left out. */
    case Skip = 'skip';
}
