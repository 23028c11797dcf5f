<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

/** What a figure measures, which decides how it is written. */
enum QuantityKind: string
{
    /** metres */
    case Length = 'length';
    /** a small difference, metres */
    case Deviation = 'deviation';
    /** grid azimuth, radians */
    case Direction = 'direction';
    /** radians */
    case Angle = 'angle';
    /** square metres */
    case Area = 'area';
    /** rise over run */
    case Grade = 'grade';
    /** a plain number */
    case Number = 'number';
}
