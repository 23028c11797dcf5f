<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

enum DeciderKind: string
{
    case SightTo = 'sightTo';
    case Again = 'again';
    case AllAgain = 'allAgain';
    /** much nearer or much farther than those sighted */
    case AnotherMark = 'anotherMark';
}
