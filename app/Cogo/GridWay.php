<?php

declare(strict_types=1);

namespace App\Cogo;

/** Where grid lines come from. */
enum GridWay: string
{
    case Drawing = 'drawing';
    case Spacings = 'spacings';
    case Radial = 'radial';
    /** one line between two places */
    case Places = 'places';
}
