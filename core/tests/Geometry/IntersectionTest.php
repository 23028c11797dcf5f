<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Geometry;

use Parlay\Core\Cogo\PlacesFound;
use Parlay\Core\Geometry\Circle;
use Parlay\Core\Geometry\Intersection;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

final class IntersectionTest extends TestCase
{
    /** Coordinates in the millions, where careless formulas lose the hundredth of a millimetre. */
    private const FAR = [5_400_000.0, 3_500_000.0];

    public function test_two_directions_put_back_into_the_lines_hold_on_thousands_of_cases(): void
    {
        mt_srand(11);
        for ($i = 0; $i < 3000; $i++) {
            [$a, $b] = [new Line(self::somewhere(), self::turn()), new Line(self::somewhere(), self::turn())];
            if (abs(sin($a->azimuth - $b->azimuth)) < 0.05) {
                continue;
            }
            $p = Intersection::ofRays($a, $b);
            self::assertEqualsWithDelta(0.0, $a->right($p), 1e-5);
            self::assertEqualsWithDelta(0.0, $b->right($p), 1e-5);
        }
    }

    public function test_both_places_of_two_distances_are_at_those_distances(): void
    {
        mt_srand(12);
        $two = 0;
        for ($i = 0; $i < 3000; $i++) {
            [$a, $b] = [self::somewhere(), self::somewhere()];
            $d = $a->distanceTo($b);
            [$ra, $rb] = [$d * mt_rand(200, 1500) / 1000, $d * mt_rand(200, 1500) / 1000];
            try {
                $both = Intersection::ofCircles(new Circle($a, $ra), new Circle($b, $rb));
            } catch (NoConstruction) {
                self::assertTrue($ra + $rb < $d || abs($ra - $rb) > $d, 'refused only where the triangle does not close');

                continue;
            }
            $two += count($both) === 2 ? 1 : 0;
            foreach ($both as $p) {
                self::assertEqualsWithDelta($ra, $a->distanceTo($p), 1e-5);
                self::assertEqualsWithDelta($rb, $b->distanceTo($p), 1e-5);
            }
            if (count($both) === 2) {
                self::assertLessThan(0.0, (new Line($a, $a->azimuthTo($b)))->right($both[0]), 'the first lies to the left');
            }
        }
        self::assertGreaterThan(1500, $two);
    }

    public function test_a_line_meets_a_circle_where_shapely_says(): void
    {
        mt_srand(13);
        $cases = $ours = [];
        while (count($cases) < 200) {
            [$ray, $circle] = [
                new Line(new Position(mt_rand(0, 1000) / 10, mt_rand(0, 1000) / 10), self::turn()),
                new Circle(new Position(mt_rand(0, 1000) / 10, mt_rand(0, 1000) / 10), mt_rand(10, 500) / 10),
            ];
            if (abs($ray->right($circle->centre)) > 0.98 * $circle->radius) {
                continue;
            }
            $cases[] = [
                $ray->from->easting, $ray->from->northing, sin($ray->azimuth), cos($ray->azimuth), $circle->centre->easting,
                $circle->centre->northing, $circle->radius,
            ];
            $ours[] = array_map(static fn (Position $p) => [$p->easting, $p->northing], Intersection::ofRayAndCircle($ray, $circle));
        }
        $theirs = Reference::python(<<<'PY'
            from shapely.geometry import Point, LineString
            out = []
            for x, y, dx, dy, cx, cy, r in input:
                rim = Point(cx, cy).buffer(r, resolution=20000).exterior
                met = LineString([(x - 500 * dx, y - 500 * dy), (x + 500 * dx, y + 500 * dy)]).intersection(rim)
                out.append(sorted(((p.x - x) * dx + (p.y - y) * dy, p.x, p.y) for p in met.geoms))
            print(json.dumps(out))
            PY, $cases);
        foreach ($theirs as $i => $met) {
            self::assertCount(2, $met);
            foreach ($met as $k => [, $x, $y]) {
                // Its circle is a polygon of 80,000 sides.
                self::assertEqualsWithDelta($x, $ours[$i][$k][0], 2e-5);
                self::assertEqualsWithDelta($y, $ours[$i][$k][1], 2e-5);
            }
        }
    }

    public function test_circles_that_miss_say_by_how_much(): void
    {
        try {
            PlacesFound::byTwoDistances(new Position(0, 0), 5.0, new Position(0, 10.412), 5.0);
            self::fail('They miss.');
        } catch (NoConstruction $e) {
            self::assertStringContainsString('miss by 0.412 m', $e->getMessage());
        }
    }

    /** @return iterable<string, array{callable, string}> */
    public static function degenerate(): iterable
    {
        $o = new Position(0, 0);
        $p = new Position(10, 0);
        yield 'parallel lines' => [static fn () => PlacesFound::byTwoLines(new Line($o, 0.3), new Line($p, 0.3 + M_PI)), 'parallel'];
        yield 'one circle in another' => [
            static fn () => PlacesFound::byTwoDistances($o, 20.0, $p, 5.0), 'inside the other: they miss by 5.000 m',
        ];
        yield 'one centre' => [static fn () => PlacesFound::byTwoDistances($o, 5.0, $o, 5.0), 'one centre'];
        yield 'no radius' => [static fn () => PlacesFound::byTwoDistances($o, 0.0, $p, 5.0), 'more than 0'];
        yield 'a line beside a circle' => [
            static fn () => PlacesFound::byLineAndDistance(new Line($o, 0.0), new Position(0, 8), 7.5), 'misses by 0.500 m',
        ];
        yield 'a backsight on the station' => [static fn () => PlacesFound::byTurnedAngle($o, $o, 1.0, 5.0), 'same place'];
        yield 'three on a line' => [static fn () => Circle::through($o, $p, new Position(20, 0)), 'straight line'];
    }

    #[\PHPUnit\Framework\Attributes\DataProvider('degenerate')]
    public function test_what_has_no_solution_says_why(callable $try, string $says): void
    {
        $this->expectException(NoConstruction::class);
        $this->expectExceptionMessage($says);
        $try();
    }

    public function test_circles_that_touch_have_one_place_and_say_so(): void
    {
        $made = PlacesFound::byTwoDistances(new Position(0, 0), 4.0, new Position(0, 10), 6.0);
        self::assertCount(1, $made->solutions);
        self::assertStringContainsString('touch', $made->solutions[0]->word);
        self::assertEqualsWithDelta(4.0, $made->solutions[0]->places[0]->position->easting, 1e-9);
    }

    private static function somewhere(): Position
    {
        return new Position(self::FAR[0] + mt_rand(0, 1_000_000) / 1000, self::FAR[1] + mt_rand(0, 1_000_000) / 1000);
    }

    private static function turn(): float
    {
        return 2 * M_PI * mt_rand(0, 1_000_000) / 1_000_000;
    }
}
