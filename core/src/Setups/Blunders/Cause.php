<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

/** What practitioners find behind a bad residual. Causes that no reading can tell apart are one class. */
enum Cause: string
{
    case CoordinateDigit = 'coordinateDigit';
    case Exchanged = 'exchanged';
    case NamesExchanged = 'namesExchanged';
    case AnotherMark = 'anotherMark';
    /** a direction off by a round angle; half a turn is the wrong face */
    case Misread = 'misread';
    /** pole not plumb, or control moved in plan */
    case Shifted = 'shifted';
    /** target height of this sight, or the elevation of its control point */
    case Height = 'height';
    case PrismConstant = 'prismConstant';
    /** a distance off by more than prism constants differ */
    case Reflection = 'reflection';
    case PrismConstantOfAll = 'prismConstantOfAll';
    /** all distances off alike by more than prism constants differ */
    case DistanceOfAll = 'distanceOfAll';
    case Scale = 'scale';
    /** errors of the instrument's own that one face alone doesn't show */
    case Collimation = 'collimation';
    case Index = 'index';
    /** two sights, each with a cause of its own */
    case TwoSights = 'twoSights';
    /** no single thing is wrong: control, or the centring over it, is less exact than is said */
    case LessExact = 'lessExact';
    case TripodMoved = 'tripodMoved';
    /** instrument height, all target heights, or the elevation of the mark it stands on */
    case InstrumentHeight = 'instrumentHeight';
    /** a slanted height read as straight, or the other way about */
    case HeightOtherwise = 'heightOtherwise';
    /** it stands on another mark than named */
    case AnotherStation = 'anotherStation';
    /** not centred over its mark, or the mark is listed wrong */
    case StationShifted = 'stationShifted';
}
