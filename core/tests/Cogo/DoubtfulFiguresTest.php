<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Cogo;

use Parlay\Core\Cogo\BestFit;
use Parlay\Core\Cogo\PlacesFound;
use Parlay\Core\Cogo\PlacesOnPolyline;
use Parlay\Core\Cogo\Triangle;
use Parlay\Core\Control\GridNames;
use Parlay\Core\Geometry\Circle;
use Parlay\Core\Geometry\Intersection;
use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Polyline;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

/** Figures at the edge of what they mean: each either comes out as it should, or says what is wrong with it. */
final class DoubtfulFiguresTest extends TestCase
{
    public function test_an_intersection_behind_a_beginning_or_far_outside_says_so(): void
    {
        $word = static fn (float $second): string => PlacesFound::byTwoLines(
            new Line(new Position(0, 0), 0.0), new Line(new Position(0, 10), $second),
        )->solutions[0]->places[0]->word;
        self::assertSame('', $word(-M_PI_4));
        self::assertSame('behind the beginning of the first and of the second direction', $word(M_PI_4));
        self::assertSame('far outside the work: the directions hardly differ', $word(-1e-5), 'two directions 2″ apart');
        self::assertStringContainsString('behind the beginning of the first and of the second direction; far outside', $word(1e-5));
    }

    public function test_a_right_triangle_is_one_and_is_never_refused_for_rounding(): void
    {
        mt_srand(5);
        for ($i = 0; $i < 500; $i++) {
            [$a, $b] = [mt_rand(1, 9000) / 1000, mt_rand(1, 9000) / 1000];
            $c = hypot($a, $b);
            $found = Triangle::solve([$a, $c, null], [asin($a / $c), null, null]);
            // The side opposite just reaches: some are rounded to just not. Near it two flat triangles may be left, and both are right
            // to 0.1 mm.
            self::assertEqualsWithDelta($b, $found[0]->sides[2], 1e-4, "$a $c");
        }
        self::assertCount(1, Triangle::solve([4, 5, null], [asin(0.8), null, null]));
        $this->expectException(NoConstruction::class);
        Triangle::solve([3.9999, 5, null], [asin(0.8), null, null]);
    }

    public function test_circles_that_touch_by_rounding_touch_once(): void
    {
        $a = new Position(6_000_000.1, 2_000_000.2);
        mt_srand(9);
        for ($i = 0; $i < 300; $i++) {
            $d = mt_rand(1000, 90_000) / 1000;
            $r = $d * mt_rand(10, 90) / 100;
            $b = $a->along(mt_rand(0, 6283) / 1000, $d);
            $d = $a->distanceTo($b);
            self::assertCount(1, Intersection::ofCircles(new Circle($a, $r), new Circle($b, $d - $r)), "outside, $d $r");
            self::assertCount(1, Intersection::ofCircles(new Circle($a, $r + $d), new Circle($b, $r)), "inside, $d $r");
            self::assertCount(2, Intersection::ofCircles(new Circle($a, $r), new Circle($b, $d - $r + 0.001)));
        }
    }

    /** Confirmed with scipy's least squares on the distances from the circle. */
    public function test_a_circle_is_fitted_to_a_flat_arc(): void
    {
        mt_srand(3);
        foreach ([[5000.0, 20.0], [800.0, 30.0], [25.0, 140.0]] as [$radius, $length]) {
            $places = [];
            for ($i = 0; $i <= 12; $i++) {
                $t = ($i / 12 - 0.5) * $length / $radius + 0.7;
                $r = $radius + mt_rand(-100, 100) / 100_000;
                $places[] = new Position(4_000_000 + $r * cos($t), 500_000 + $r * sin($t));
            }
            $fit = BestFit::circle($places);
            $theirs = Reference::python(<<<'PY'
                import numpy as np
                from scipy.optimize import least_squares
                p = np.array(input['places']); m = p.mean(axis=0); q = p - m
                f = lambda v: np.hypot(q[:, 0] - v[0], q[:, 1] - v[1]) - v[2]
                s = least_squares(f, input['start'], method='lm', x_scale='jac', xtol=1e-15, ftol=1e-15, gtol=1e-15, max_nfev=100000)
                print(json.dumps([float(s.x[2]), [float(v) for v in s.fun]]))
                PY, [
                'places' => array_map(static fn (Position $p) => [$p->northing, $p->easting], $places),
                'start' => [-$radius * cos(0.7), -$radius * sin(0.7), $radius],
            ]);
            self::assertEqualsWithDelta($theirs[0], $fit->figures[0]->value, 2e-4 * $radius, "radius $radius over $length");
            foreach ($theirs[1] as $i => $residual) {
                self::assertEqualsWithDelta($residual, $fit->residuals[$i], 2e-6, "residual $i of radius $radius");
            }
        }
    }

    public function test_from_its_own_centre_an_arc_has_no_foot_and_says_so(): void
    {
        $arc = Polyline::of([new Leg(new Position(0, 0), new Position(0, 10), -M_PI)]);
        self::assertCount(1, PlacesOnPolyline::foot($arc, new Position(1, 5))->solutions);
        $this->expectExceptionMessage('is the centre of an arc');
        PlacesOnPolyline::foot($arc, new Position(0, 5));
    }

    public function test_an_outline_that_crosses_itself_has_no_area_and_says_where(): void
    {
        $square = [new Position(0, 0), new Position(0, 10), new Position(10, 10), new Position(10, 0)];
        self::assertEqualsWithDelta(
            100.0, PlacesOnPolyline::enclosed(Polyline::through($square, true))->solutions[0]->figures[0]->value, 1e-9,
        );
        $touching = [new Position(0, 0), new Position(0, 10), new Position(10, 10), new Position(0, 5), new Position(10, 0)];
        self::assertEqualsWithDelta(
            50.0, PlacesOnPolyline::enclosed(Polyline::through($touching, true))->solutions[0]->figures[0]->value, 1e-9,
            'one that touches itself is none that crosses',
        );
        $this->expectExceptionMessage('crosses itself, between its corners 2 and 3 and again between 4 and 5');
        PlacesOnPolyline::enclosed(Polyline::through([$square[0], $square[1], $square[3], $square[2]], true));
    }

    public function test_names_of_grid_lines_go_on_as_they_are_written(): void
    {
        foreach ([
            '2a' => '2a,2b,2c', "1'" => "1',2',3'", 'A.9' => 'A.9,A.10,A.11', 'Z' => 'Z,AA,AB', '9' => '9,10,11', 'a' => 'a,b,c',
        ] as $first => $names) {
            self::assertSame($names, implode(',', GridNames::from((string) $first, 3)));
            self::assertTrue(GridNames::isName((string) $first));
        }
        self::assertSame(['numbers', 'numbers', 'letters'], [GridNames::family('2a'), GridNames::family("1'"), GridNames::family('A.1')]);
    }
}
