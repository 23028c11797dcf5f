<?php

declare(strict_types=1);

namespace App\Examples;

/** What of a thing goes into the names of its points. */
enum NamePart: string
{
    /** the crossing of grid lines that lies nearest */
    case Crossing = 'crossing';
    case Name = 'name';
    case Tag = 'tag';
    case Type = 'type';
    case Storey = 'storey';
    case ThisClass = 'class';
    /** on which side of the thing the place lies: N, NE, E … */
    case Side = 'side';
}
