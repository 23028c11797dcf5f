<?php

declare(strict_types=1);

namespace App\Worklists;

/** What is staked after a mark that is in. */
enum NextRule: string
{
    case Off = 'off';
    case Nearest = 'nearest';
    case Listed = 'listed';
    case Walk = 'walk';
}
