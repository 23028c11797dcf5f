<?php

declare(strict_types=1);

namespace App\Http\Bodies;

enum AirMode: string
{
    case Air = 'air';
    case Typed = 'typed';
}
