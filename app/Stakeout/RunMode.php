<?php

declare(strict_types=1);

namespace App\Stakeout;

enum RunMode: string
{
    case Dot = 'dot';
    case Prism = 'prism';
}
