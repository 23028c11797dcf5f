<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Geometry;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\Angle;
use PHPUnit\Framework\TestCase;

final class PositionTest extends TestCase
{
    public function test_azimuths_run_clockwise_from_north_through_all_quadrants(): void
    {
        $from = new Position(78_640.0, 41_250.0);
        foreach ([
            [1, 0, 0], [1, 1, 45], [0, 1, 90], [-1, 1, 135], [-1, 0, 180], [-1, -1, 225], [0, -1, 270], [1, -1, 315],
        ] as [$n, $e, $degrees]) {
            self::assertEqualsWithDelta(deg2rad($degrees), $from->azimuthTo(new Position(78_640.0 + $n, 41_250.0 + $e)), 1e-12);
        }
        self::assertSame(0.0, $from->azimuthTo($from));
    }

    public function test_going_along_an_azimuth_and_looking_back_agree(): void
    {
        mt_srand(4);
        for ($i = 0; $i < 1000; $i++) {
            $from = new Position(mt_rand(-9_000_000, 9_000_000) / 1.0, mt_rand(-9_000_000, 9_000_000) / 1.0);
            $azimuth = mt_rand(0, 6_283_185) / 1e6;
            $distance = mt_rand(1, 3_000_000) / 1000;
            $there = $from->along($azimuth, $distance);
            self::assertEqualsWithDelta($distance, $from->distanceTo($there), 1e-8);
            self::assertEqualsWithDelta(0.0, Angle::signed($from->azimuthTo($there) - $azimuth), 1e-6 / max($distance, 1.0) + 1e-8);
            self::assertEqualsWithDelta(M_PI, abs(Angle::signed($there->azimuthTo($from) - $azimuth)), 1e-6);
        }
    }

    public function test_angles_near_nothing_and_near_a_whole_turn_are_kept_in_the_circle(): void
    {
        foreach ([0.0, -1e-300, 2 * M_PI, -2 * M_PI, 4 * M_PI, 1e6, -1e6] as $angle) {
            $wrapped = Angle::wrap($angle);
            self::assertGreaterThanOrEqual(0.0, $wrapped);
            self::assertLessThan(2 * M_PI, $wrapped);
            self::assertEqualsWithDelta(sin($angle), sin($wrapped), 1e-9);
        }
        self::assertSame(0.0, Angle::wrap(2 * M_PI));
        self::assertSame(M_PI, Angle::signed(-M_PI));
        self::assertEqualsWithDelta(-0.1, Angle::signed(2 * M_PI - 0.1), 1e-12);
    }

    public function test_a_missing_elevation_stays_missing(): void
    {
        self::assertNull((new Position(1, 2, 3))->along(0.0, 1.0)->elevation);
        self::assertNull((new Position(1, 2, 3))->at(null)->elevation);
    }
}
