<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

/** A spot of a drawing that can be pointed at. */
enum SpotKind: string
{
    case Start = 'start';
    case End = 'end';
    case Middle = 'middle';
    case Centre = 'centre';
    case Insertion = 'insertion';
    case Intersection = 'intersection';
    /** north, east, south or west of a round shape, the one nearest to where was pointed */
    case Quadrant = 'quadrant';
    /** of the perpendicular from a place */
    case Foot = 'foot';
    /** on the shape, nearest to where was pointed */
    case On = 'on';
}
