<?php

declare(strict_types=1);

namespace Parlay\Core\Reports;

use Parlay\Core\Adjustment\Normal;

/**
 * Whether deviations grow with something, such as the distance from the instrument or the age of a setup: by ranks (C. Spearman, 1904), so that one blunder doesn't make a rule, and
 * whatever the form of the growth. Held against chance by z = atanh(r) √((n − 3)/1.06) (E. C. Fieller, H. O. Hartley, E. S. Pearson, "Tests for rank correlation coefficients",
 * Biometrika 44, 1957), one-sided.
 */
final readonly class Growth
{
    /** So improbable must it be by chance before it is said: 1 of 100. Common practice, no source. */
    private const CHANCE = 0.01;

    /** The approximation holds for ten and more. */
    private const FEWEST = 10;

    /** @param  bool  $isMore  whether they grow, more than by chance */
    private function __construct(public int $count, public float $correlation, public bool $isMore) {}

    /**
     * @param  list<array{float, float}>  $rows  what they might grow with, in any unit, and how large the deviation is
     * @return self|null null where there are too few, or all are of one distance or size
     */
    public static function of(array $rows): ?self
    {
        $n = count($rows);
        if ($n < self::FEWEST) {
            return null;
        }
        [$x, $y] = [self::ranks(array_column($rows, 0)), self::ranks(array_column($rows, 1))];
        $middle = ($n + 1) / 2;
        $xx = $yy = $xy = 0.0;
        foreach ($x as $k => $rank) {
            [$u, $v] = [$rank - $middle, $y[$k] - $middle];
            $xx += $u * $u;
            $yy += $v * $v;
            $xy += $u * $v;
        }
        if ($xx === 0.0 || $yy === 0.0) {
            return null;
        }
        $r = max(-1.0, min(1.0, $xy / sqrt($xx * $yy)));

        return new self($n, $r, 1.0 - Normal::below(atanh($r) * sqrt(($n - 3) / 1.06)) < self::CHANCE);
    }

    /**
     * @param  list<float>  $values
     * @return list<float> 1 for the smallest; what is equal shares the mean of its ranks
     */
    private static function ranks(array $values): array
    {
        asort($values);
        $order = array_keys($values);
        $ranks = array_fill(0, count($values), 0.0);
        for ($i = 0; $i < count($order); $i = $j) {
            for ($j = $i; $j < count($order) && $values[$order[$j]] === $values[$order[$i]]; $j++);
            for ($k = $i; $k < $j; $k++) {
                $ranks[$order[$k]] = ($i + $j + 1) / 2;
            }
        }

        return array_values($ranks);
    }
}
