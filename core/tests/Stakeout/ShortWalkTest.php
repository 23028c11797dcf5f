<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Stakeout;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\ShortWalk;
use PHPUnit\Framework\TestCase;

final class ShortWalkTest extends TestCase
{
    public function test_the_walk_is_within_five_percent_of_the_shortest_where_that_can_be_found_exactly(): void
    {
        mt_srand(51);
        for ($case = 0; $case < 60; $case++) {
            $places = self::scattered(mt_rand(4, 9));
            $start = new Position(5e6 + mt_rand(-20, 80), 3e6 + mt_rand(-20, 80));
            [$order, $length] = ShortWalk::from($start, $places);
            $all = $order;
            sort($all);
            self::assertSame(array_keys($places), $all, 'every place once');
            self::assertEqualsWithDelta(self::walked($start, $places, $order), $length, 1e-6);
            self::assertLessThanOrEqual(1.05 * self::shortest($start, $places), $length);
        }
    }

    /** Up to eight places nothing shorter is left: against each order there is. */
    public function test_few_places_are_walked_the_shortest_way_there_is(): void
    {
        mt_srand(53);
        for ($case = 0; $case < 60; $case++) {
            $places = self::scattered(mt_rand(2, 8));
            $start = new Position(5e6 + mt_rand(-20, 80), 3e6 + mt_rand(-20, 80));
            [$order, $length] = ShortWalk::from($start, $places);
            self::assertEqualsWithDelta(self::walked($start, $places, $order), $length, 1e-6);
            self::assertEqualsWithDelta(self::shortest($start, $places), $length, 1e-6);
        }
    }

    public function test_a_thousand_places_are_walked_shorter_than_by_nearest_next_alone(): void
    {
        mt_srand(52);
        $places = self::scattered(1000);
        [$order, $length] = ShortWalk::from($places[0], $places);
        self::assertCount(1000, array_unique($order));
        // A random uniform cloud of n places on an area A has a shortest round of about 0.7124 sqrt(n A) (Beardwood, Halton and
        // Hammersley 1959; recalled constant).
        self::assertLessThan(1.12 * 0.7124 * sqrt(1000 * 60.0 * 60.0), $length);
    }

    public function test_no_place_one_place_and_all_on_one(): void
    {
        $p = new Position(1, 2);
        self::assertSame([[], 0.0], ShortWalk::from($p, []));
        self::assertSame([[0], 0.0], ShortWalk::from($p, [$p]));
        self::assertSame(0.0, ShortWalk::from($p, [$p, $p, $p, $p, $p])[1]);
    }

    /** @return list<Position> */
    private static function scattered(int $n): array
    {
        return array_map(static fn () => new Position(5e6 + mt_rand(0, 60_000) / 1000, 3e6 + mt_rand(0, 60_000) / 1000), range(1, $n));
    }

    /**
     * @param  list<Position>  $places
     * @param  list<int>  $order
     */
    private static function walked(Position $at, array $places, array $order): float
    {
        $sum = 0.0;
        foreach ($order as $i) {
            $sum += $at->distanceTo($places[$i]);
            $at = $places[$i];
        }

        return $sum;
    }

    /**
     * Held and Karp: the shortest walk over each set of places that ends at each of them.
     *
     * @param  list<Position>  $places
     */
    private static function shortest(Position $start, array $places): float
    {
        $n = count($places);
        $best = [];
        for ($i = 0; $i < $n; $i++) {
            $best[1 << $i][$i] = $start->distanceTo($places[$i]);
        }
        for ($set = 1; $set < 1 << $n; $set++) {
            foreach ($best[$set] ?? [] as $end => $length) {
                for ($next = 0; $next < $n; $next++) {
                    if (($set >> $next & 1) === 0) {
                        $longer = $length + $places[$end]->distanceTo($places[$next]);
                        $best[$set | 1 << $next][$next] = min($best[$set | 1 << $next][$next] ?? INF, $longer);
                    }
                }
            }
        }

        return min($best[(1 << $n) - 1]);
    }
}
