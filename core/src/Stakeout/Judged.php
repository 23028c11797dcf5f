<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

/** What of a mark counts: an anchor of a ceiling is marked on the slab, metres below its design height. */
enum Judged: string
{
    case PlanAndHeight = 'plan_and_height';
    case Plan = 'plan';
    case Height = 'height';

    public function countsPlan(): bool
    {
        return $this !== self::Height;
    }

    public function countsHeight(): bool
    {
        return $this !== self::Plan;
    }
}
