<?php

declare(strict_types=1);

namespace App\Cogo;

/** Which places along a line. */
enum PlacesWay: string
{
    /** one, at a distance and an offset */
    case At = 'at';
    /** of an alignment, the next round station from a distance on, or the one before it */
    case Next = 'next';
    case Before = 'before';
    case Every = 'every';
    case Parts = 'parts';
    /** its ends and where its pieces meet */
    case Main = 'main';
}
