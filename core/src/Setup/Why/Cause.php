<?php

declare(strict_types=1);

namespace Parlay\Core\Setup\Why;

/** What practitioners find behind a bad residual. Causes that no reading can tell apart are one class. */
enum Cause: string
{
    case CoordinateDigit = 'coordinateDigit';
    case Exchanged = 'exchanged';
    case NamesExchanged = 'namesExchanged';
    case AnotherMark = 'anotherMark';
    case WrongFace = 'wrongFace';
    /** pole not plumb, or control moved in plan */
    case Shifted = 'shifted';
    /** target height of this sight, or the elevation of its control point */
    case Height = 'height';
    case PrismConstant = 'prismConstant';
    case PrismConstantOfAll = 'prismConstantOfAll';
    case Scale = 'scale';
    case TripodMoved = 'tripodMoved';
}
