<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/**
 * How far the largest and the smallest of several normal deviations lie apart by chance (the studentized range with a deviation that is known; H. O. Hartley, "The range in random samples", Biometrika 32,
 * 1942).
 */
final class NormalRange
{
    /** Beyond so many standard deviations nothing counts. */
    private const ALL = 8.0;

    /**
     * @param  int  $count  two or more
     * @param  float  $range  in standard deviations
     */
    public static function below(int $count, float $range): float
    {
        $share = static fn (float $z): float => Normal::density($z) * max(0.0, Normal::below($z) - Normal::below($z - $range)) ** ($count - 1);
        $sum = 0.0;
        // A piece at a time: of many deviations it is a narrow peak.
        for ($from = -self::ALL; $from < self::ALL; $from += 2.0) {
            $sum += GaussLegendre::sum($share, $from, $from + 2.0);
        }

        return $range <= 0.0 ? 0.0 : min(1.0, $count * $sum);
    }

    /**
     * @param  float  $probability  above 0 and below 1
     * @return float standard deviations
     */
    public static function quantile(int $count, float $probability): float
    {
        [$low, $high] = [0.0, 2 * self::ALL];
        for ($i = 0; $i < 40; $i++) {
            $middle = ($low + $high) / 2;
            self::below($count, $middle) < $probability ? $low = $middle : $high = $middle;
        }

        return ($low + $high) / 2;
    }
}
