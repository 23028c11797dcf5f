<?php

declare(strict_types=1);

namespace App\Control;

/** Where a control point came from. */
enum ControlOrigin: string
{
    /** the site surveyor's list, or typed in */
    case Listed = 'listed';
    /** the station of a setup that found its place */
    case Station = 'station';
    /** measured from a setup, and averaged when it is seen again */
    case Measured = 'measured';
}
