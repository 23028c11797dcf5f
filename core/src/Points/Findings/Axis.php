<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

enum Axis: string
{
    case Northing = 'northing';
    case Easting = 'easting';
}
