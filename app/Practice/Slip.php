<?php

declare(strict_types=1);

namespace App\Practice;

/** A slip of the pen in a list of control, to practise with. */
enum Slip: string
{
    case Digit = 'digit';
    case Neighbours = 'neighbours';
    case Zero = 'zero';
    case Exchanged = 'exchanged';
    case Names = 'names';
}
