<?php

declare(strict_types=1);

namespace App\Setups;

enum AirMode: string
{
    case Air = 'air';
    case Typed = 'typed';
}
