<?php

declare(strict_types=1);

namespace App\Cogo;

/** Sides, and the angles opposite them. */
enum TrianglePart: string
{
    case SideA = 'a';
    case SideB = 'b';
    case SideC = 'c';
    case AngleA = 'A';
    case AngleB = 'B';
    case AngleC = 'C';
}
