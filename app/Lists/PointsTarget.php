<?php

declare(strict_types=1);

namespace App\Lists;

/** What a list of points is taken as. */
enum PointsTarget: string
{
    case Control = 'control';
    case Points = 'points';
}
