<?php

declare(strict_types=1);

namespace App\Setups;

enum HeightMode: string
{
    case Straight = 'straight';
    case Slanted = 'slanted';
}
