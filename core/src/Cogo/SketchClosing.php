<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

/** How a sketch ends. */
enum SketchClosing: string
{
    case Open = 'open';
    /** it should end where it began: what is missing is told */
    case Reported = 'reported';
    /** what is missing is spread over the legs by their lengths */
    case Spread = 'spread';
    /** the last leg ends where a line in the closing direction leads back to the beginning */
    case ByIntersection = 'byIntersection';
}
