<?php

declare(strict_types=1);

namespace App\Stakeout;

enum RunDeed: string
{
    case Pause = 'pause';
    case Resume = 'resume';
    case Stop = 'stop';
    /** the mark is drawn: measure it */
    case Mark = 'mark';
    case Skip = 'skip';
    /** take the one before again */
    case Back = 'back';
    /** aim at this one anew */
    case Again = 'again';
    /** this device leads from now on */
    case Lead = 'lead';

    /** Whether the instrument may turn by it. */
    public function turns(): bool
    {
        return $this !== self::Pause && $this !== self::Stop;
    }
}
