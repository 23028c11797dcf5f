<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

/** Which of a mark's figures in the list. */
enum Coordinate: string
{
    case Northing = 'northing';
    case Easting = 'easting';
    case Elevation = 'elevation';
}
