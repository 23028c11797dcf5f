<?php

declare(strict_types=1);

namespace App\Designs;

/** What the heights of a drawing mean. */
enum HeightsChoice: string
{
    case Used = 'used';
    case Dropped = 'dropped';
    case Fixed = 'fixed';
}
