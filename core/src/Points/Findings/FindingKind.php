<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

enum FindingKind: string
{
    case Exchanged = 'exchanged';
    case RowExchanged = 'row_exchanged';
    case NamesExchanged = 'names_exchanged';
    case Unit = 'unit';
    case Digit = 'digit';
    case RowTwice = 'row_twice';
    case OneNameTwoPlaces = 'one_name_two_places';
    case TwoNamesOnePlace = 'two_names_one_place';
    case ZeroElevations = 'zero_elevations';
    case OtherGrid = 'other_grid';
}
