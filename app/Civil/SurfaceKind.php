<?php

declare(strict_types=1);

namespace App\Civil;

enum SurfaceKind: string
{
    case Design = 'design';
    case Ground = 'ground';
    case AsBuilt = 'as_built';
}
