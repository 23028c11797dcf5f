<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/** Sums a smooth function over a span by its values at few places: exact for polynomials of degree 63 (C. F. Gauss, 1814; nodes by Newton's method, recalled). */
final class GaussLegendre
{
    private const PLACES = 32;

    /** @var list<array{float, float}> place between -1 and 1, and weight */
    private static array $nodes = [];

    /** @param  \Closure(float): float  $of */
    public static function sum(\Closure $of, float $from, float $to): float
    {
        [$middle, $half] = [($from + $to) / 2, ($to - $from) / 2];
        $sum = 0.0;
        foreach (self::nodes() as [$x, $weight]) {
            $sum += $weight * $of($middle + $half * $x);
        }

        return $sum * $half;
    }

    /** @return list<array{float, float}> */
    private static function nodes(): array
    {
        for ($k = count(self::$nodes); $k < self::PLACES; $k++) {
            $x = cos(M_PI * ($k + 0.75) / (self::PLACES + 0.5));
            for ($step = 0; $step < 20; $step++) {
                [$value, $slope] = self::legendre($x);
                $x -= $value / $slope;
            }
            [, $slope] = self::legendre($x);
            self::$nodes[] = [$x, 2 / ((1 - $x * $x) * $slope * $slope)];
        }

        return self::$nodes;
    }

    /** @return array{float, float} Legendre's polynomial and its slope */
    private static function legendre(float $x): array
    {
        [$before, $value] = [1.0, $x];
        for ($n = 2; $n <= self::PLACES; $n++) {
            [$before, $value] = [$value, ((2 * $n - 1) * $x * $value - ($n - 1) * $before) / $n];
        }

        return [$value, self::PLACES * ($x * $value - $before) / ($x * $x - 1)];
    }
}
