<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Stakeout;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Deviation;
use Parlay\Core\Stakeout\Guidance;
use Parlay\Core\Stakeout\Tolerance;
use Parlay\Core\Stakeout\Verdict;
use Parlay\Core\Stakeout\Worklist;
use PHPUnit\Framework\TestCase;

final class GuidanceTest extends TestCase
{
    /** The pole stands due north of the instrument, so its holder looks south: east is on the left hand. */
    public function test_left_and_right_are_those_of_the_holder_facing_the_instrument(): void
    {
        $move = $this->move(new Position(0, 0), new Position(100, 0, 5.0), new Position(99.0, 2.0, 5.5));
        self::assertEqualsWithDelta(1.0, $move->toward, 1e-12);
        self::assertEqualsWithDelta(-2.0, $move->right, 1e-12);
        self::assertEqualsWithDelta(-1.0, $move->north, 1e-12);
        self::assertEqualsWithDelta(2.0, $move->east, 1e-12);
        self::assertEqualsWithDelta(0.5, $move->raise, 1e-12);
        self::assertEqualsWithDelta(M_PI, $move->facing, 1e-12);
    }

    public function test_following_the_moves_always_ends_on_the_design(): void
    {
        mt_srand(11);
        for ($i = 0; $i < 2000; $i++) {
            $at = static fn () => new Position(
                mt_rand(-9_999_999, 9_999_999) / 11, mt_rand(-9_999_999, 9_999_999) / 7, mt_rand(0, 1000) / 10,
            );
            [$instrument, $pole] = [$at(), $at()];
            $design = $pole->along(mt_rand(0, 6283) / 1000, mt_rand(0, 30_000) / 1000, 20.0);
            $move = $this->move($instrument, $pole, $design);
            $there = $pole->along($move->facing, $move->toward)->along($move->facing + M_PI_2, $move->right);
            self::assertLessThan(1e-6, $there->distanceTo($design));
            self::assertEqualsWithDelta($move->distance, hypot($move->toward, $move->right), 1e-6);
        }
    }

    public function test_a_figure_equal_to_the_tolerance_is_in_and_one_beyond_is_out(): void
    {
        $tolerance = new Tolerance(0.005, 0.01);
        $off = static fn (float $n, float $z) => Deviation::between(
            new Position(78_640.0, 41_250.0, 4.6), new Position(78_640.0 + $n, 41_250.0, 4.6 + $z),
        )->verdict($tolerance);
        self::assertSame(Verdict::In, $off(0.005, 0.01));
        self::assertSame(Verdict::Out, $off(0.0051, 0.0));
        self::assertSame(Verdict::Out, $off(0.0, -0.0101));
    }

    public function test_a_missing_elevation_is_not_judged_and_is_not_zero(): void
    {
        $deviation = Deviation::between(new Position(0, 0), new Position(0, 0, 55.0));
        self::assertNull($deviation->height);
        self::assertSame(Verdict::In, $deviation->verdict(new Tolerance(0.01, 0.01)));
        self::assertNull($this->move(new Position(0, 0), new Position(1, 1, 3.0), new Position(1, 1))->raise);
    }

    public function test_the_nearest_is_found_and_an_empty_list_has_none(): void
    {
        self::assertSame(
            7, Worklist::nearest(new Position(0, 0), [3 => new Position(5, 5), 7 => new Position(1, -2), 9 => new Position(-3, 0)]),
        );
        self::assertNull(Worklist::nearest(new Position(0, 0), []));
    }

    private function move(Position $instrument, Position $pole, Position $design): Guidance
    {
        return Guidance::from($instrument, $pole, $design, new Tolerance(0.005, 0.005));
    }
}
