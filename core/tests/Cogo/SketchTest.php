<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Cogo;

use Parlay\Core\Cogo\Quantity;
use Parlay\Core\Cogo\Sketch;
use Parlay\Core\Cogo\SketchClosing;
use Parlay\Core\Cogo\SketchLeg;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;
use PHPUnit\Framework\TestCase;

final class SketchTest extends TestCase
{
    public function test_legs_turn_from_the_one_before_and_arcs_leave_in_its_direction(): void
    {
        $made = Sketch::made(new Position(100, 200, 5.0), [
            new SketchLeg(0.0, length: 10.0, rise: 0.5), new SketchLeg(null, M_PI_2, 8.0),
            new SketchLeg(null, radius: 4.0, angle: M_PI_2, points: 1), new SketchLeg(null, -M_PI_4, 2.0),
        ], SketchClosing::Open);
        $places = array_map(
            static fn ($p) => [$p->word, round($p->position->northing, 6), round($p->position->easting, 6)],
            $made->solutions[0]->places,
        );
        self::assertEquals([
            ['1', 100.0, 200.0], ['2', 110.0, 200.0], ['3', 110.0, 208.0], [
                '3.1', round(106 + 4 * M_SQRT1_2, 6), round(208 + 4 * M_SQRT1_2, 6),
            ], ['4', 106.0, 212.0], ['5', round(106 - M_SQRT2, 6), round(212 + M_SQRT2, 6)],
        ], $places);
        self::assertSame(5.5, $made->solutions[0]->places[5]->position->elevation);
    }

    public function test_a_sketch_is_closed_by_the_crossing_of_its_last_leg_and_the_way_home(): void
    {
        $made = Sketch::made(
            new Position(0, 0), [new SketchLeg(0.0, length: 10.0), new SketchLeg(M_PI_2, length: 20.0), new SketchLeg(M_PI)],
            SketchClosing::ByIntersection, M_PI_2,
        );
        self::assertCount(4, $made->solutions[0]->places);
        self::assertEqualsWithDelta(
            [0.0, 20.0], [$made->solutions[0]->places[3]->position->northing, $made->solutions[0]->places[3]->position->easting], 1e-9,
        );
        $this->expectException(NoConstruction::class);
        $this->expectExceptionMessage('parallel');
        Sketch::made(new Position(0, 0), [new SketchLeg(0.0, length: 10.0), new SketchLeg(M_PI_2)], SketchClosing::ByIntersection, M_PI_2);
    }

    /**
     * Four legs whose latitudes and departures are summed by hand: 100.00 N, 80.00 E, 100.02 S, 79.97 W; misclosure north +0.02, east
     * −0.03, length 0.036, one part in 9983 of 359.99; corrections by the compass rule in proportion to 100.00, 180.00, 280.02.
     */
    public function test_the_misclosure_is_told_and_spread_by_the_lengths_walked(): void
    {
        $legs = [
            new SketchLeg(0.0, length: 100.0), new SketchLeg(M_PI_2, length: 80.0), new SketchLeg(M_PI, length: 100.02),
            new SketchLeg(3 * M_PI_2, length: 79.97),
        ];
        $figures = array_column(array_map(
            static fn (Quantity $f) => [$f->word, $f->value],
            Sketch::made(new Position(0, 0), $legs, SketchClosing::Reported)->solutions[0]->figures,
        ), 1, 0);
        self::assertEqualsWithDelta([
            'length of all legs' => 359.99, 'missing to the north' => 0.02, 'missing to the west' => 0.03, 'misclosure' => sqrt(0.0013),
            'one part in' => 9984.0,
        ], $figures, 1.0);
        self::assertEqualsWithDelta([0.02, 0.03], [$figures['missing to the north'], $figures['missing to the west']], 1e-9);
        $spread = Sketch::made(new Position(0, 0), $legs, SketchClosing::Spread)->solutions[0]->places;
        self::assertCount(4, $spread);
        self::assertEqualsWithDelta(
            [100 + 0.02 * 100 / 359.99, -0.03 * 100 / 359.99], [$spread[1]->position->northing, $spread[1]->position->easting], 1e-9,
        );
        self::assertEqualsWithDelta(
            [-0.02 + 0.02 * 280.02 / 359.99, 80 - 0.03 * 280.02 / 359.99],
            [$spread[3]->position->northing, $spread[3]->position->easting], 1e-9,
        );
    }

    public function test_a_leg_runs_until_a_line_shorter_or_longer_than_drawn(): void
    {
        $until = new Line(new Position(7.5, -100), M_PI_2);
        $made = Sketch::made(new Position(0, 0), [new SketchLeg(0.0, until: $until)], SketchClosing::Open);
        self::assertEqualsWithDelta(7.5, $made->solutions[0]->places[1]->position->northing, 1e-9);
    }

    public function test_legs_without_a_length_and_arcs_without_an_angle_are_refused_and_an_empty_sketch_is_its_start(): void
    {
        self::assertCount(1, Sketch::made(new Position(1, 2), [], SketchClosing::Spread)->solutions[0]->places);
        foreach ([[new SketchLeg(0.0), 'needs a length'], [new SketchLeg(0.0, radius: 2.0), 'angle of an arc']] as [$leg, $says]) {
            try {
                Sketch::made(new Position(0, 0), [$leg], SketchClosing::Open);
                self::fail($says);
            } catch (NoConstruction $e) {
                self::assertStringContainsString($says, $e->getMessage());
            }
        }
    }
}
