<?php

declare(strict_types=1);

namespace App\Http\Bodies;

enum HeightMode: string
{
    case Straight = 'straight';
    case Slanted = 'slanted';
}
