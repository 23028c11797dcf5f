<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

/** What the sights of a setup can't prove, or what speaks against it. Names and value of each: see Caution. */
enum CautionKind: string
{
    case TwoPlaces = 'twoPlaces';
    case TwoPlacesOnLines = 'twoPlacesOnLines';
    case NotOriented = 'notOriented';
    case OnlyTwoSights = 'onlyTwoSights';
    case OnlyTwoLines = 'onlyTwoLines';
    case NothingSpare = 'nothingSpare';
    case NothingSpareOnLines = 'nothingSpareOnLines';
    /** value: standard deviation of unit weight, for all of these */
    case ResidualsTooLarge = 'residualsTooLarge';
    case BacksightsDiffer = 'backsightsDiffer';
    case ShotsMissLines = 'shotsMissLines';
    case InstrumentMoved = 'instrumentMoved';
    /** value: ppm that distances would be too long by, short where negative; deviation: of it */
    case ScaleDiffers = 'scaleDiffers';
    case NoElevation = 'noElevation';
    case StationHasNoElevation = 'stationHasNoElevation';
    case LinesGiveNoElevation = 'linesGiveNoElevation';
    case ElevationFromOneSight = 'elevationFromOneSight';
    case ElevationFromOneBenchmark = 'elevationFromOneBenchmark';
    case BenchmarksDiffer = 'benchmarksDiffer';
    /** names: marks that are not where they would be seen from the place that is kept */
    case MarksStray = 'marksStray';
    case OneBacksight = 'oneBacksight';
    case OneSightOrients = 'oneSightOrients';
    /** names: the one mark, for all of these */
    case DistanceDisagrees = 'distanceDisagrees';
    case HeightDisagrees = 'heightDisagrees';
    case HeightNotChecked = 'heightNotChecked';
    case DirectionGiven = 'directionGiven';
    /** value: metres to the mark that are assumed */
    case SightedWithoutDistance = 'sightedWithoutDistance';
    case PlaceAssumed = 'placeAssumed';
    case NoLengthGiven = 'noLengthGiven';
    /** value: metres that the measured baseline is longer than designed, shorter where negative */
    case BaselineDiffers = 'baselineDiffers';
    /** names: one sentence, of a setup that was accepted when sentences were kept */
    case AsKept = 'asKept';
}
