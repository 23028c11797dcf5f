<?php

declare(strict_types=1);

namespace App\Stakeout;

/** A line of what is copied onto the lath. */
enum LathLine: string
{
    case Name = 'name';
    case Code = 'code';
    case Along = 'along';
    case Offset = 'offset';
    case CutFill = 'cut_fill';
    case Parallel = 'parallel';
    case Elevation = 'elevation';
}
