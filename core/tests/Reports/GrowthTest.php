<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Reports;

use Parlay\Core\Reports\Growth;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

/** Whether deviations grow with distance or age, against scipy's rank correlation and against simulated days. */
final class GrowthTest extends TestCase
{
    private static function chance(): float
    {
        return mt_rand() / mt_getrandmax();
    }

    public function test_the_correlation_of_ranks_is_that_of_scipy_with_and_without_ties(): void
    {
        mt_srand(4);
        $sets = [];
        for ($k = 0; $k < 40; $k++) {
            $round = $k % 2 === 0 ? 1.0 : 1000.0;
            $sets[] = array_map(static fn (): array => [round(9 * self::chance() * $round) / $round, round(6 * self::chance() * $round) / $round], range(1, 10 + 3 * $k));
        }
        $there = Reference::python('from scipy.stats import spearmanr;print(json.dumps([spearmanr([r[0] for r in s],[r[1] for r in s]).statistic for s in input]))', $sets);
        foreach ($sets as $k => $set) {
            self::assertEqualsWithDelta($there[$k], Growth::of($set)?->correlation, 1e-12);
        }
    }

    public function test_it_is_said_of_one_in_a_hundred_days_where_nothing_grows_and_of_most_where_it_does(): void
    {
        mt_srand(11);
        $day = static function (float $ppm): ?Growth {
            $rows = [];
            for ($i = 0; $i < 40; $i++) {
                $far = 5 + 95 * self::chance();
                $sigma = hypot(0.002, $ppm * $far);
                $rows[] = [$far, hypot($sigma * self::normal(), $sigma * self::normal())];
            }

            return Growth::of($rows);
        };
        $said = static fn (float $ppm): int => count(array_filter(range(1, 2000), static fn (): bool => $day($ppm)?->isMore === true));
        self::assertEqualsWithDelta(20, $said(0.0), 14, 'of 2,000');
        self::assertGreaterThan(1900, $said(1e-4));
    }

    private static function normal(): float
    {
        return sqrt(-2 * log(max(1e-12, self::chance()))) * cos(2 * M_PI * self::chance());
    }

    public function test_few_or_all_alike_say_nothing_and_shrinking_is_no_growth(): void
    {
        $rows = array_map(static fn (int $i): array => [(float) $i, 0.001 * $i], range(1, 10));
        self::assertNull(Growth::of(array_slice($rows, 0, 9)));
        self::assertTrue(Growth::of($rows)?->isMore);
        self::assertFalse(Growth::of(array_map(static fn (array $r): array => [$r[0], -$r[1]], $rows))?->isMore);
        self::assertNull(Growth::of(array_fill(0, 12, [3.0, 0.001])));
        self::assertNull(Growth::of([]));
    }
}
