<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

enum UntestableKind: string
{
    case NothingToCompare = 'nothingToCompare';
    case WhichFeet = 'whichFeet';
    /** it lies where the project does, and nothing in it is known */
    case SmallDifferences = 'smallDifferences';
    /** it lies beside the project, and nothing in it is known */
    case Beside = 'beside';
}
