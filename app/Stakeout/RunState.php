<?php

declare(strict_types=1);

namespace App\Stakeout;

enum RunState: string
{
    case Running = 'running';
    case Paused = 'paused';
    case Stopped = 'stopped';
    case Ended = 'ended';
}
