<?php

declare(strict_types=1);

namespace App\Cogo;

/** How points are moved. */
enum MoveKind: string
{
    /** by typed differences, or from one place to another */
    case Shift = 'shift';
    case Rotate = 'rotate';
    case Scale = 'scale';
    case Mirror = 'mirror';
    /** so that pairs of places fall on each other */
    case Fit = 'fit';
}
