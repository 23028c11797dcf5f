<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

/** The computations a point can be made by. */
enum ConstructionKind: string
{
    case Place = 'place';
    case DirectionDistance = 'directionDistance';
    case TurnedAngle = 'turnedAngle';
    case TwoLines = 'twoLines';
    case LineDistance = 'lineDistance';
    case TwoDistances = 'twoDistances';
    case Along = 'along';
    case Foot = 'foot';
    case Divided = 'divided';
    case Every = 'every';
    case Parallel = 'parallel';
    case Corners = 'corners';
    case SetBack = 'setBack';
    case ArcThroughThree = 'arcThroughThree';
    case ArcLeaving = 'arcLeaving';
    case ArcBetween = 'arcBetween';
    case ArcBetweenTangents = 'arcBetweenTangents';
    case BestLine = 'bestLine';
    case BestCircle = 'bestCircle';
    case BestPlane = 'bestPlane';
    case Inverse = 'inverse';
    case Area = 'area';
    case BoltCircle = 'boltCircle';
    case BoltRectangle = 'boltRectangle';
    case BoltList = 'boltList';
    case Curve = 'curve';
    case Triangle = 'triangle';
    case Sketch = 'sketch';

    /** As it stands in a sentence. */
    public function words(): string
    {
        return match ($this) {
            self::Place => 'place',
            self::DirectionDistance => 'direction and distance',
            self::TurnedAngle => 'angle turned from a backsight',
            self::TwoLines => 'intersection of two lines',
            self::LineDistance => 'intersection of a line and a distance',
            self::TwoDistances => 'intersection of two distances',
            self::Along => 'along and beside a line',
            self::Foot => 'foot of a perpendicular',
            self::Divided => 'division in equal parts',
            self::Every => 'division by distance',
            self::Parallel => 'parallel',
            self::Corners => 'corners',
            self::SetBack => 'set-back pairs',
            self::ArcThroughThree => 'arc through three places',
            self::ArcLeaving => 'arc from its elements',
            self::ArcBetween => 'arc between two places',
            self::ArcBetweenTangents => 'arc between two tangents',
            self::BestLine => 'best-fit line',
            self::BestCircle => 'best-fit circle',
            self::BestPlane => 'best-fit plane',
            self::Inverse => 'inverse',
            self::Area => 'area',
            self::BoltCircle => 'bolt circle',
            self::BoltRectangle => 'bolt rectangle',
            self::BoltList => 'bolt pattern',
            self::Curve => 'curve',
            self::Triangle => 'triangle',
            self::Sketch => 'sketch',
        };
    }
}
