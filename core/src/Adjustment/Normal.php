<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/** The normal distribution, by the series of G. Marsaglia, "Evaluating the Normal Distribution", Journal of Statistical Software 11 (4), 2004. */
final class Normal
{
    /** Beyond so many standard deviations less than 1e-15 is left. */
    private const ALL = 8.0;

    /** 1/√(2π) */
    private const PEAK = 0.398942280401432678;

    /** Probability of a value up to so many standard deviations above the middle. */
    public static function below(float $z): float
    {
        if (is_nan($z) || abs($z) >= self::ALL) {
            return $z > 0.0 ? 1.0 : 0.0;
        }
        $sum = $term = $z;
        $before = NAN;
        for ($i = 3; $sum !== $before; $i += 2) {
            $before = $sum;
            $term *= $z * $z / $i;
            $sum += $term;
        }

        return 0.5 + $sum * self::density($z);
    }

    /** How likely it is there, for each standard deviation. */
    public static function density(float $z): float
    {
        return self::PEAK * exp(-$z * $z / 2);
    }

    /** Probability of a value between two others; of no deviation at all, whether its middle lies there. */
    public static function between(float $low, float $high, float $middle, float $deviation): float
    {
        if (is_nan($deviation) || $deviation <= 0.0) {
            return $middle >= $low && $middle <= $high ? 1.0 : 0.0;
        }

        return max(0.0, self::below(($high - $middle) / $deviation) - self::below(($low - $middle) / $deviation));
    }
}
