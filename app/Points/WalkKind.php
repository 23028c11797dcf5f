<?php

declare(strict_types=1);

namespace App\Points;

enum WalkKind: string
{
    case AsListed = 'asListed';
    case ByName = 'byName';
    case NearestNext = 'nearestNext';
    case ShortWalk = 'shortWalk';
}
