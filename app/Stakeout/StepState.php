<?php

declare(strict_types=1);

namespace App\Stakeout;

/** What has become of one point of a run. */
enum StepState: string
{
    case Open = 'open';
    /** the instrument turns to it, or brings the dot onto it */
    case Aiming = 'aiming';
    /** it holds still: the mark is being drawn, or the pole brought there */
    case Marking = 'marking';
    case Measuring = 'measuring';
    case Stored = 'stored';
    case Out = 'out';
    case Skipped = 'skipped';

    public function isOver(): bool
    {
        return in_array($this, [self::Stored, self::Out, self::Skipped], true);
    }
}
