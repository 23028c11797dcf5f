<?php

declare(strict_types=1);

namespace App\Reports;

/** Figures that people think in: 1, 2 or 5 times a power of ten. */
final class RoundFigure
{
    /** The largest that is not more; above 0. */
    public static function atMost(float $value): float
    {
        $power = 10 ** floor(log10($value));
        $lead = $value / $power;

        return ($lead >= 5 ? 5 : ($lead >= 2 ? 2 : 1)) * $power;
    }

    /** The smallest that is not less; above 0. */
    public static function atLeast(float $value): float
    {
        $power = 10 ** floor(log10($value));
        $lead = $value / $power;

        return ($lead > 5 ? 10 : ($lead > 2 ? 5 : ($lead > 1 ? 2 : 1))) * $power;
    }
}
