<?php

declare(strict_types=1);

namespace App\Instrument;

enum TargetKind: string
{
    case Prism = 'prism';
    case SmallPrism = 'small_prism';
    case AllRound = 'all_round';
    case Sheet = 'sheet';
    case None = 'none';
}
