<?php

declare(strict_types=1);

namespace App\Instrument;

/** What a measurement is taken for. */
enum Purpose: string
{
    case Setup = 'setup';
    case Check = 'check';
    case Stake = 'stake';
    case AsBuilt = 'as_built';
    case Control = 'control';
}
