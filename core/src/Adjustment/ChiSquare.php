<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/**
 * The χ² distribution: how likely a weighted square sum is to be no larger than what was found. Regularised incomplete gamma function
 * by its series below, its continued fraction above (Abramowitz & Stegun, 6.5.29 and 6.5.31; recalled), and ln Γ by Lanczos'
 * approximation.
 */
final class ChiSquare
{
    /** Probability of a value up to x. */
    public static function below(float $x, int $freedom): float
    {
        if ($x <= 0.0) {
            return 0.0;
        }
        [$a, $y] = [$freedom / 2, $x / 2];
        $scale = exp($a * log($y) - $y - self::lnGamma($a));

        return $y < $a + 1 ? $scale * self::series($a, $y) : 1 - $scale * self::fraction($a, $y);
    }

    /** The value that is not passed with this probability. */
    public static function quantile(float $probability, int $freedom): float
    {
        [$low, $high] = [0.0, 10.0 * $freedom + 100.0];
        for ($i = 0; $i < 200 && $high - $low > 1e-12 * $high; $i++) {
            $middle = ($low + $high) / 2;
            [$low, $high] = self::below($middle, $freedom) < $probability ? [$middle, $high] : [$low, $middle];
        }

        return ($low + $high) / 2;
    }

    private static function series(float $a, float $y): float
    {
        $sum = $term = 1 / $a;
        for ($n = 1; $n < 1000 && $term > 1e-16 * $sum; $n++) {
            $term *= $y / ($a + $n);
            $sum += $term;
        }

        return $sum;
    }

    /** By Lentz's method. */
    private static function fraction(float $a, float $y): float
    {
        $b = $y + 1 - $a;
        $c = 1e300;
        $d = 1 / $b;
        $h = $d;
        for ($i = 1; $i < 1000; $i++) {
            $an = -$i * ($i - $a);
            $b += 2;
            $d = 1 / ($an * $d + $b);
            $c = $b + $an / $c;
            $h *= $d * $c;
            if (abs($d * $c - 1) < 1e-15) {
                break;
            }
        }

        return $h;
    }

    private static function lnGamma(float $x): float
    {
        $sum = 1.000000000190015;
        foreach ([
            76.18009172947146, -86.50532032941677, 24.01409824083091, -1.231739572450155, 1.208650973866179e-3, -5.395239384953e-6,
        ] as $i => $c) {
            $sum += $c / ($x + $i + 1);
        }

        return ($x + 0.5) * log($x + 5.5) - $x - 5.5 + log(2.5066282746310005 * $sum / $x);
    }
}
