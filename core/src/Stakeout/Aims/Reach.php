<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

/** Whether one stands beside a line, or before or beyond it. */
enum Reach: string
{
    case Beside = 'beside';
    case BeforeStart = 'before_start';
    case BeyondEnd = 'beyond_end';
}
