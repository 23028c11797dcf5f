<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Stakeout;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\RunOrder;
use PHPUnit\Framework\TestCase;

final class RunOrderTest extends TestCase
{
    public function test_pairs_go_together_whatever_stands_between_them_in_the_list(): void
    {
        $names = ['12.1', '13.1', '12.2', '13.2', 'A7', 'A8', 'R left', 'S collar', 'R right', 'S toe'];
        self::assertSame(
            ['12.1', '12.2', '13.1', '13.2', 'A7', 'A8', 'R left', 'R right', 'S collar', 'S toe'], self::named(RunOrder::Listed, $names),
        );
    }

    public function test_out_along_one_wall_and_back_along_the_other(): void
    {
        self::assertSame(
            ['1.1', '2.1', '3.1', '3.2', '2.2', '1.2'], self::named(RunOrder::OutAndBack, ['1.1', '1.2', '2.1', '2.2', '3.1', '3.2']),
        );
        self::assertSame(['X', 'Y'], self::named(RunOrder::OutAndBack, ['X', 'Y']), 'those without a second go out only');
    }

    public function test_the_nearest_next_and_a_short_walk_keep_pairs_together(): void
    {
        $names = ['far.1', 'near.1', 'mid.1', 'far.2', 'near.2', 'mid.2'];
        $places = array_map(static fn (float $e) => new Position(0, $e), [30.0, 10.0, 20.0, 31.0, 11.0, 21.0]);
        foreach ([RunOrder::Nearest, RunOrder::Walk] as $order) {
            self::assertSame(['near.1', 'near.2', 'mid.1', 'mid.2', 'far.1', 'far.2'], self::named($order, $names, $places));
        }
    }

    /** A pair is two: what twenty are called alike is a number in turn, and the way is not walked by it. */
    public function test_numbers_in_turn_are_no_pairs(): void
    {
        $names = array_map(static fn (int $i) => "P-$i", range(1, 20));
        mt_srand(4);
        $places = array_map(static fn () => new Position(100 * mt_rand() / mt_getrandmax(), 100 * mt_rand() / mt_getrandmax()), $names);
        $from = new Position(0, 0);
        $plain = array_map(static fn (int $i) => "N$i", range(1, 20));
        foreach (RunOrder::cases() as $order) {
            self::assertSame($order->of($plain, $places, $from), $order->of($names, $places, $from), $order->value);
        }
        self::assertSame([1, 0, null, null, null], RunOrder::partners(['12.1', '12.2', 'HEA200.1', 'HEA200.2', 'HEA200.3']));
    }

    public function test_nothing_and_one_are_orders_too(): void
    {
        foreach (RunOrder::cases() as $order) {
            self::assertSame([], $order->of([], [], new Position(0, 0)));
            self::assertSame([0], $order->of(['P'], [new Position(5, 5)], new Position(0, 0)));
        }
    }

    /**
     * @param  list<string>  $names
     * @param  list<Position>|null  $places
     * @return list<string>
     */
    private static function named(RunOrder $order, array $names, ?array $places = null): array
    {
        $places ??= array_map(static fn () => new Position(0, 0), $names);

        return array_map(static fn (int $i) => $names[$i], $order->of($names, $places, new Position(0, 0)));
    }
}
