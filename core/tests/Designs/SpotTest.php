<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Designs;

use Parlay\Core\Designs\Crossings;
use Parlay\Core\Designs\NoSuchSpot;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Designs\Spot;
use Parlay\Core\Designs\SpotKind;
use Parlay\Core\Geometry\Position;
use PHPUnit\Framework\TestCase;

final class SpotTest extends TestCase
{
    public function test_a_line_has_ends_and_a_middle_with_heights_between(): void
    {
        $line = self::line(10, 20, 4.0, 16, 28, 5.0);
        self::assertEquals(new Position(20, 10, 4.0), Spot::of($line, SpotKind::Start));
        self::assertEquals(new Position(28, 16, 5.0), Spot::of($line, SpotKind::End));
        self::assertEquals(new Position(24, 13, 4.5), Spot::of($line, SpotKind::Middle));
    }

    public function test_an_arc_has_ends_middle_and_centre(): void
    {
        $arc = new Shape(ShapeKind::Arc, 1, [100.0, 200.0, 3.0, 10.0, 0.0, -M_PI]);
        self::assertEqualsWithDelta(
            [190.0, 100.0], [Spot::of($arc, SpotKind::Middle)->northing, Spot::of($arc, SpotKind::Middle)->easting], 1e-12,
        );
        self::assertEquals(new Position(200.0, 100.0, 3.0), Spot::of($arc, SpotKind::Centre));
        self::assertEqualsWithDelta(90.0, Spot::of($arc, SpotKind::End)->easting, 1e-12);
    }

    public function test_a_dropped_height_is_none(): void
    {
        self::assertNull(Spot::of(new Shape(ShapeKind::Circle, 1, [1.0, 2.0, NAN, 3.0]), SpotKind::Centre)->elevation);
    }

    public function test_quadrants_are_those_that_lie_on_the_arc_the_nearest_first(): void
    {
        $circle = new Shape(ShapeKind::Circle, 1, [100.0, 200.0, 3.0, 10.0]);
        self::assertEqualsWithDelta(
            [210.0, 100.0, 3.0], array_values((array) Spot::of($circle, SpotKind::Quadrant, new Position(230, 101))), 1e-9,
        );
        self::assertEqualsWithDelta(90.0, Spot::of($circle, SpotKind::Quadrant, new Position(199, 95))->easting, 1e-9);
        // From east by north to west: it has no southern quadrant.
        $arc = new Shape(ShapeKind::Arc, 1, [0.0, 0.0, NAN, 10.0, 0.1, 3.0]);
        self::assertEqualsWithDelta(
            [10.0, 0.0], array_slice(array_values((array) Spot::of($arc, SpotKind::Quadrant, new Position(-10, 0))), 0, 2), 1e-9,
        );
        $this->expectException(NoSuchSpot::class);
        Spot::of(new Shape(ShapeKind::Arc, 1, [0.0, 0.0, NAN, 10.0, 0.1, 0.5]), SpotKind::Quadrant, new Position(0, 0));
    }

    public function test_the_foot_may_lie_beyond_a_line_and_a_place_on_it_may_not(): void
    {
        $line = self::line(0, 0, 4.0, 10, 0, 6.0);
        self::assertEqualsWithDelta(
            [0.0, 15.0], array_slice(array_values((array) Spot::of($line, SpotKind::Foot, new Position(7, 15))), 0, 2), 1e-9,
        );
        self::assertEqualsWithDelta([0.0, 10.0, 6.0], array_values((array) Spot::of($line, SpotKind::On, new Position(7, 15))), 1e-9);
        self::assertEqualsWithDelta([0.0, 5.0, 5.0], array_values((array) Spot::of($line, SpotKind::On, new Position(7, 5))), 1e-9);
        $this->expectException(NoSuchSpot::class);
        Spot::of(new Shape(ShapeKind::Point, 1, [1.0, 2.0, 3.0]), SpotKind::On, new Position(0, 0));
    }

    public function test_points_texts_and_blocks_have_where_they_stand(): void
    {
        foreach ([ShapeKind::Point, ShapeKind::Text, ShapeKind::Insert] as $kind) {
            self::assertEquals(
                new Position(2.0, 1.0, 3.0), Spot::of(new Shape($kind, 1, [1.0, 2.0, 3.0, 0.5, 0.0, 0.0]), SpotKind::Insertion),
            );
        }
        foreach ([
            [ShapeKind::Line, SpotKind::Insertion], [ShapeKind::Circle, SpotKind::Start], [ShapeKind::Spline, SpotKind::Middle],
            [ShapeKind::Ellipse, SpotKind::Quadrant], [ShapeKind::Circle, SpotKind::Quadrant],
        ] as [$shape, $spot]) {
            try {
                Spot::of(new Shape($shape, 1, [0.0, 0.0, 0.0, 1.0, 1.0, 0.0, 0.0, 0.0, 1.0]), $spot);
                self::fail("{$shape->word()} has no {$spot->value}");
            } catch (NoSuchSpot $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
    }

    public function test_what_a_shape_does_not_have_is_refused(): void
    {
        $this->expectException(NoSuchSpot::class);
        Spot::of(self::line(0, 0, 0, 1, 1, 0), SpotKind::Centre);
    }

    public function test_lines_cross_within_their_lengths_only(): void
    {
        $a = self::line(0, 0, 10.0, 10, 10, 20.0);
        self::assertEquals([new Position(5, 5, 15.0)], Crossings::between($a, self::line(0, 10, 0, 10, 0, 0)));
        self::assertSame([], Crossings::between($a, self::line(20, 0, 0, 20, 30, 0)));
        self::assertSame([], Crossings::between($a, self::line(1, 0, 0, 11, 10, 0)));
        self::assertCount(1, Crossings::between($a, self::line(10, 10, 0, 20, 0, 0)), 'ends that touch');
        self::assertSame([], Crossings::between($a, self::line(3, 3, 0, 3, 3, 0)), 'no length');
    }

    public function test_a_tangent_touches_once_and_the_nearer_of_two_is_taken(): void
    {
        $circle = new Shape(ShapeKind::Circle, 2, [0.0, 0.0, 1.5, 5.0]);
        self::assertCount(1, Crossings::between(self::line(-10, 5, 0, 10, 5, 0), $circle));
        self::assertEqualsWithDelta(5.0, Spot::crossing($circle, self::line(-10, 0, 0, 10, 0, 0), new Position(1, 3))->easting, 1e-9);
        $this->expectException(NoSuchSpot::class);
        Spot::crossing($circle, self::line(-10, 6, 0, 10, 6, 0), new Position(0, 0));
    }

    /** Back-substitution on seeded pairs: every crossing lies on both, in coordinates of millions too. */
    public function test_every_crossing_lies_on_both_shapes(): void
    {
        mt_srand(41);
        $r = static fn (float $a, float $b) => $a + ($b - $a) * mt_rand() / mt_getrandmax();
        $found = 0;
        for ($i = 0; $i < 3000; $i++) {
            [$x, $y] = $i % 2 === 0 ? [0.0, 0.0] : [3_400_000.0, 5_700_000.0];
            $make = static fn (int $kind) => match ($kind) {
                0 => self::line($x + $r(0, 50), $y + $r(0, 50), 0.0, $x + $r(0, 50), $y + $r(0, 50), 0.0),
                1 => new Shape(ShapeKind::Circle, 1, [$x + $r(0, 50), $y + $r(0, 50), 0.0, $r(1, 30)]),
                default => new Shape(ShapeKind::Arc, 1, [$x + $r(0, 50), $y + $r(0, 50), 0.0, $r(1, 30), $r(-7, 7), $r(-6, 6)]),
            };
            [$a, $b] = [$make(mt_rand(0, 2)), $make(mt_rand(0, 2))];
            foreach (Crossings::between($a, $b) as $p) {
                $found++;
                self::assertLessThan(2e-6, self::off($a, $p));
                self::assertLessThan(2e-6, self::off($b, $p));
            }
        }
        self::assertGreaterThan(1000, $found);
    }

    public function test_packing_loses_nothing(): void
    {
        $shape = new Shape(
            ShapeKind::Ellipse, 4_000_000_000, [3_456_789.123456789, 5_678_901.987654321, NAN, 1.5, -2.5, 3.5, 4.5, -0.1, M_PI],
        );
        $back = Shape::unpack($shape->pack());
        self::assertSame(Shape::BYTES, strlen($shape->pack()));
        self::assertSame([$shape->kind, $shape->place], [$back->kind, $back->place]);
        self::assertNan($back->v[2]);
        self::assertSame([$shape->v[0], $shape->v[8]], [$back->v[0], $back->v[8]]);
    }

    public function test_the_bounds_of_an_arc_hold_all_of_it(): void
    {
        mt_srand(2);
        for ($i = 0; $i < 300; $i++) {
            $arc = new Shape(
                ShapeKind::Arc, 1,
                [mt_rand(0, 100) / 1, 5.0, 0.0, mt_rand(1, 50) / 1, mt_rand(-600, 600) / 100, mt_rand(-628, 628) / 100],
            );
            [$west, $south, $east, $north] = $arc->bounds();
            foreach (range(0, 40) as $k) {
                $p = $arc->pointAt($k / 40);
                self::assertTrue($p->easting >= $west - 1e-9
                    && $p->easting <= $east + 1e-9
                    && $p->northing >= $south - 1e-9
                    && $p->northing <= $north + 1e-9);
            }
        }
    }

    private static function line(float ...$v): Shape
    {
        return new Shape(ShapeKind::Line, 1, array_values($v));
    }

    private static function off(Shape $s, Position $p): float
    {
        if ($s->kind !== ShapeKind::Line) {
            return abs(hypot($p->easting - $s->v[0], $p->northing - $s->v[1]) - $s->v[3]);
        }
        $length = hypot($s->v[3] - $s->v[0], $s->v[4] - $s->v[1]);

        return abs(($p->easting - $s->v[0]) * ($s->v[4] - $s->v[1]) - ($p->northing - $s->v[1]) * ($s->v[3] - $s->v[0])) / $length;
    }
}
