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
    case Dot = 'dot';
    case Cancel = 'cancel';

    /** Takes its time, and must be over before the next such instruction. */
    public function isJob(): bool
    {
        return in_array($this, [self::Turn, self::Search, self::Measure, self::Dot], true);
    }
}
