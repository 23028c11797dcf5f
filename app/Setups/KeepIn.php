<?php

declare(strict_types=1);

namespace App\Setups;

/** As what a reading goes into the setup being made. */
enum KeepIn: string
{
    /** the sight to a control point; one that was there is replaced */
    case Sight = 'sight';
    /** one more round of it */
    case Round = 'round';
    /** a shot at a line, or at a mark that is no control */
    case Shot = 'shot';
}
