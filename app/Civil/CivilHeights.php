<?php

declare(strict_types=1);

namespace App\Civil;

/** Where the heights of an alignment come from: its own profile and sections, a surface, or nowhere. */
enum CivilHeights: string
{
    case Road = 'road';
    case Surface = 'surface';
    case None = 'none';
}
