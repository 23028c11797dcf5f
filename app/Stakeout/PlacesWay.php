<?php

declare(strict_types=1);

namespace App\Stakeout;

/** Which places along a line. */
enum PlacesWay: string
{
    /** one, at a distance and an offset */
    case At = 'at';
    case Every = 'every';
    case Parts = 'parts';
    /** its ends and where its pieces meet */
    case Main = 'main';
}
