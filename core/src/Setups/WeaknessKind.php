<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

/** What in the geometry makes a setup weak. */
enum WeaknessKind: string
{
    /** names: the marks */
    case NearCircle = 'nearCircle';
    /** toward: where all sights go */
    case OneWay = 'oneWay';
    case AnglesInLine = 'anglesInLine';
    case DistancesInLine = 'distancesInLine';
    /** metres: the longest sight */
    case ShortSights = 'shortSights';
    case InLine = 'inLine';
    case OneSide = 'oneSide';
    case Weak = 'weak';
    /** metres: how far apart, long or away; names: the line or the mark. What an orientation hangs on where no resection gives it */
    case ShortLine = 'shortLine';
    case ShortBacksight = 'shortBacksight';
    case NearDirection = 'nearDirection';
    case ShortBaseline = 'shortBaseline';
}
