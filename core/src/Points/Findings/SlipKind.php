<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

/** What a hand does to a written number. */
enum SlipKind: string
{
    /** a digit too many */
    case Extra = 'extra';
    /** two neighbours the other way about */
    case Exchanged = 'exchanged';
    /** one digit for another */
    case Replaced = 'replaced';
    /** a digit was left out */
    case LeftOut = 'leftOut';
    /** the decimal mark belongs a place earlier, or later */
    case MarkEarlier = 'markEarlier';
    case MarkLater = 'markLater';
}
