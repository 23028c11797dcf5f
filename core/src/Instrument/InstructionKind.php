<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

enum InstructionKind: string
{
    case Turn = 'turn';
    case Search = 'search';
    case Measure = 'measure';
    case Track = 'track';
    case Settings = 'settings';
    case Cancel = 'cancel';
}
