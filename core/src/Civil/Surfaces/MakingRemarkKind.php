<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

enum MakingRemarkKind: string
{
    case TwoHeights = 'two_heights';
    case LinesCross = 'lines_cross';
    case OutlineMeetsLine = 'outline_meets_line';
    case OutlineFar = 'outline_far';
}
