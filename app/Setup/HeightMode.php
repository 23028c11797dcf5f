<?php

declare(strict_types=1);

namespace App\Setup;

enum HeightMode: string
{
    case Straight = 'straight';
    case Slanted = 'slanted';
}
