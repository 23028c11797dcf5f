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
    /** no single thing is wrong: control, or the centring over it, is less exact than is said */
    case LessExact = 'lessExact';
    case TripodMoved = 'tripodMoved';
    /** instrument height, all target heights, or the elevation of the mark it stands on */
    case InstrumentHeight = 'instrumentHeight';
    /** a slanted height read as straight, or the other way about */
    case HeightOtherwise = 'heightOtherwise';
    /** it stands on another mark than named */
    case AnotherStation = 'anotherStation';
}
