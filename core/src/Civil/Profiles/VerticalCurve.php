<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Profiles;

/** How a profile is rounded at a vertex. */
enum VerticalCurve: string
{
    case None = 'none';
    /** a parabola, whose grade changes evenly; before and after the vertex it may be unequally long */
    case Parabola = 'parabola';
    case Circle = 'circle';
}
