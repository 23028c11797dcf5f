<?php

declare(strict_types=1);

namespace App\Civil;

enum SurfaceDeed: string
{
    case Remove = 'remove';
    case Swap = 'swap';
    case TakeBack = 'take_back';
}
