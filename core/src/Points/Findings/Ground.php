<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

/** What gives a finding about a list as a whole away. */
enum Ground: string
{
    /** names that the project knows */
    case Names = 'names';
    /** the same, turned and shifted all alike */
    case NamesTurned = 'namesTurned';
    /** places drawn in the designs */
    case DrawnPlaces = 'drawnPlaces';
    /** where everything in the project lies */
    case Extent = 'extent';
    /** the same, and nothing brings it near */
    case FarOff = 'farOff';
    /** whole numbers over many kilometres */
    case WholeNumbers = 'wholeNumbers';
}
