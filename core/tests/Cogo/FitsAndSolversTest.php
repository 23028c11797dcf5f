<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Cogo;

use Parlay\Core\Cogo\BestFit;
use Parlay\Core\Cogo\CurveElement;
use Parlay\Core\Cogo\ElevationRule;
use Parlay\Core\Cogo\Inverse;
use Parlay\Core\Cogo\PlacesInPattern;
use Parlay\Core\Cogo\PlacesOnArc;
use Parlay\Core\Cogo\SimpleCurve;
use Parlay\Core\Cogo\Triangle;
use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FitsAndSolversTest extends TestCase
{
    public function test_best_lines_circles_and_planes_agree_with_scipy(): void
    {
        mt_srand(31);
        $clouds = $ours = [];
        for ($i = 0; $i < 40; $i++) {
            $cloud = [];
            $turn = mt_rand(0, 628) / 100;
            for ($k = 0; $k < 12; $k++) {
                $at = (new Position(5_400_000, 3_500_000))->along($turn + $k * mt_rand(20, 25) / 100, 40 + mt_rand(-30, 30) / 1000);
                $cloud[] = $at->at(10 + 0.02 * ($at->northing - 5_400_000) - 0.01 * ($at->easting - 3_500_000) + mt_rand(-5, 5) / 1000);
            }
            $clouds[] = array_map(static fn (Position $p) => [$p->easting - 3_500_000, $p->northing - 5_400_000, $p->elevation], $cloud);
            $ours[] = array_map(
                static fn (BestFit $f) => $f->residuals, [BestFit::line($cloud), BestFit::circle($cloud), BestFit::plane($cloud)],
            );
        }
        $theirs = Reference::python(<<<'PY'
            import numpy as np
            from scipy.optimize import least_squares
            out = []
            for c in input:
                p = np.array(c); q = p[:, :2]; m = q.mean(0)
                line = np.linalg.svd(q - m)[1][-1] ** 2
                r = lambda v: np.hypot(q[:, 0] - v[0], q[:, 1] - v[1]) - v[2]
                circle = 2 * least_squares(r, [0, 0, 40], xtol=1e-15, ftol=1e-15, gtol=1e-15).cost
                plane = np.linalg.svd(p - p.mean(0))[1][-1] ** 2
                out.append([line, circle, plane])
            print(json.dumps(out))
            PY, $clouds);
        foreach ($theirs as $i => $squares) {
            foreach ($squares as $k => $square) {
                self::assertEqualsWithDelta(
                    $square, array_sum(array_map(static fn (float $r) => $r * $r, $ours[$i][$k])), 1e-8, "cloud $i, fit $k",
                );
            }
        }
    }

    /** One spare place is enough for a deviation: the root of the squares over it; with none it is 0, not a division by it. */
    public function test_the_deviation_of_a_fit_counts_what_is_spare(): void
    {
        $line = BestFit::line([new Position(0, 0), new Position(10, 0.03), new Position(20, 0)]);
        self::assertEqualsWithDelta([0.01, 0.02, 0.01], array_map(abs(...), $line->residuals), 1e-4);
        self::assertEqualsWithDelta(sqrt(0.01 ** 2 + 0.02 ** 2 + 0.01 ** 2), $line->deviation, 1e-5);
        self::assertSame(0.0, BestFit::line([new Position(0, 0), new Position(10, 0.03)])->deviation);
    }

    /** The rim that is drawn is the circle that was found, whole and once; the line that is drawn runs past all its places. */
    public function test_what_is_drawn_of_a_fit_is_what_was_found(): void
    {
        $centre = new Position(5_400_010.0, 3_500_020.0);
        $rim = array_map(static fn (int $i): Position => $centre->along(0.3 + $i * 0.7, 12.5), range(0, 6));
        $circle = BestFit::circle($rim);
        self::assertEqualsWithDelta(0.0, $circle->deviation, 1e-7);
        self::assertEqualsWithDelta(0.0, $circle->places[0]->position->distanceTo($centre), 1e-6);
        self::assertEqualsWithDelta(2 * M_PI * 12.5, array_sum(array_map(static fn (Leg $l) => $l->length(), $circle->drawn)), 1e-6);
        [$last, $meet] = [$circle->drawn[count($circle->drawn) - 1], 0];
        foreach ($circle->drawn as $leg) {
            $meet += $last->to->distanceTo($leg->from) < 1e-9 ? 1 : 0;
            self::assertEqualsWithDelta([0.0, 12.5], [$leg->centre()?->distanceTo($centre), $leg->radius()], 1e-6);
            self::assertEqualsWithDelta(12.5, $leg->at($leg->length() / 2)->distanceTo($centre), 1e-6);
            $last = $leg;
        }
        self::assertSame(count($circle->drawn), $meet, 'each begins where the one before it ends');
        $places = array_map(
            static fn (int $i): Position => $centre->along(1.1, 7.0 * $i)->along(1.1 + M_PI_2, [0.01, -0.02, 0.01][$i % 3]),
            range(0, 5),
        );
        [$line] = BestFit::line($places)->drawn;
        foreach ($places as $p) {
            self::assertNotNull($line->foot($p), 'within what is drawn');
        }
        self::assertEqualsWithDelta(1.1, $line->from->azimuthTo($line->to), 0.001);
    }

    public function test_what_can_not_be_fitted_says_why(): void
    {
        $p = new Position(1, 1, 5.0);
        foreach ([
            [static fn () => BestFit::line([$p]), 'at least 2'], [static fn () => BestFit::line([$p, $p]), 'All places are one'],
            [static fn () => BestFit::circle([$p, new Position(2, 2), new Position(3, 3)]), 'straight line'],
            [static fn () => BestFit::circle([$p, $p, $p]), 'All places are one'],
            [static fn () => BestFit::plane([$p, new Position(2, 2), new Position(3, 4)]), 'there is 1'],
            [static fn () => BestFit::plane([$p, new Position(2, 2, 6.0), new Position(3, 3, 7.0)]), 'straight line'],
        ] as [$try, $says]) {
            try {
                $try();
                self::fail("“{$says}” was expected.");
            } catch (NoConstruction $e) {
                self::assertStringContainsString($says, $e->getMessage());
            }
        }
    }

    public function test_any_two_elements_of_a_curve_give_all_of_it(): void
    {
        mt_srand(32);
        for ($i = 0; $i < 300; $i++) {
            $curve = SimpleCurve::from(CurveElement::Radius, mt_rand(1000, 900_000) / 1000, CurveElement::Angle, mt_rand(20, 3100) / 1000);
            foreach (CurveElement::cases() as $a) {
                foreach (CurveElement::cases() as $b) {
                    $twofold = [CurveElement::Tangent, CurveElement::MiddleOrdinate];
                    if ($a !== $b && array_diff([$a->value, $b->value], array_column($twofold, 'value')) !== []) {
                        $again = SimpleCurve::from($a, $curve->of($a), $b, $curve->of($b));
                        self::assertEqualsWithDelta(
                            1.0, $again->radius / $curve->radius, 2e-5, "{$a->value} and {$b->value}, angle {$curve->angle}",
                        );
                    }
                }
            }
        }
    }

    /** Worked by hand from the formulas: R = 300.00 m, deflection 42°: T = 115.159, L = 219.911, C = 215.021, E = 21.343, M = 19.926. */
    public function test_the_elements_of_one_curve_by_their_formulas(): void
    {
        $curve = SimpleCurve::from(CurveElement::Radius, 300.0, CurveElement::Angle, deg2rad(42));
        self::assertEqualsWithDelta(115.159, $curve->of(CurveElement::Tangent), 5e-4);
        self::assertEqualsWithDelta(219.911, $curve->of(CurveElement::Length), 5e-4);
        self::assertEqualsWithDelta(215.021, $curve->of(CurveElement::Chord), 5e-4);
        self::assertEqualsWithDelta(21.343, $curve->of(CurveElement::External), 5e-4);
        self::assertEqualsWithDelta(19.926, $curve->of(CurveElement::MiddleOrdinate), 5e-4);
        $this->expectExceptionMessage('too long for the other');
        SimpleCurve::from(CurveElement::Radius, 10.0, CurveElement::Chord, 20.5);
    }

    public function test_triangles_close_from_any_three_parts(): void
    {
        mt_srand(33);
        $doubles = 0;
        for ($i = 0; $i < 500; $i++) {
            $angles = [$a = mt_rand(10, 140) / 100, $b = mt_rand(10, 150) / 100, M_PI - $a - $b];
            $sides = array_map(static fn (float $angle) => 25.0 * sin($angle), $angles);
            foreach (self::threeOfSix() as $parts) {
                $pick = static fn (array $of, int $from): array => array_map(
                    static fn (int $k) => in_array($k + $from, $parts, true) ? $of[$k] : null, [0, 1, 2],
                );
                $found = Triangle::solve($pick($sides, 0), $pick($angles, 3));
                $doubles += count($found) - 1;
                $off = min(array_map(
                    static fn (Triangle $t) => max(array_map(static fn (int $k) => abs($t->sides[$k] - $sides[$k]), [0, 1, 2])), $found,
                ));
                self::assertLessThan(1e-5, $off, 'parts '.implode(' ', $parts));
                foreach ($found as $t) {
                    self::assertEqualsWithDelta(M_PI, array_sum($t->angles), 1e-9);
                    // By its three sides alone (Heron).
                    $half = array_sum($t->sides) / 2;
                    self::assertEqualsWithDelta($half * ($half - $t->sides[0]) * ($half - $t->sides[1]) * ($half - $t->sides[2]), $t->area() ** 2, 1e-6 * max(1.0, $t->area() ** 2));
                    self::assertEqualsWithDelta(
                        $t->sides[0] ** 2, $t->sides[1] ** 2 + $t->sides[2] ** 2 - 2 * $t->sides[1] * $t->sides[2] * cos($t->angles[0]),
                        1e-6,
                    );
                }
            }
        }
        self::assertGreaterThan(100, $doubles, 'two triangles where two sides and an angle opposite leave both');
    }

    /** @return iterable<string, array{array<int, ?float>, array<int, ?float>, string}> */
    public static function impossible(): iterable
    {
        yield 'sides that do not close' => [[1.0, 2.0, 3.5], [null, null, null], 'don’t close'];
        yield 'three angles' => [[null, null, null], [1.0, 1.0, 1.14159], 'at least one of them a side'];
        yield 'two parts' => [[1.0, 2.0, null], [null, null, null], 'exactly three'];
        yield 'angles of more than half a turn' => [[1.0, null, null], [2.0, 1.5, null], 'half a turn'];
        yield 'a side too short' => [[1.0, 5.0, null], [1.0, null, null], 'too short'];
    }

    /**
     * @param  array{?float, ?float, ?float}  $sides
     * @param  array{?float, ?float, ?float}  $angles
     */
    #[DataProvider('impossible')]
    public function test_impossible_triangles_say_why(array $sides, array $angles, string $says): void
    {
        $this->expectException(NoConstruction::class);
        $this->expectExceptionMessage($says);
        Triangle::solve($sides, $angles);
    }

    public function test_an_arc_between_tangents_touches_both(): void
    {
        mt_srand(34);
        for ($i = 0; $i < 500; $i++) {
            $meeting = new Position(5e6, 3e6);
            [$ta, $tb] = [mt_rand(0, 628) / 100, mt_rand(0, 628) / 100];
            if (abs(sin($ta - $tb)) < 0.1) {
                continue;
            }
            // Each line was touched somewhere on its way out, in whichever direction it was drawn.
            $a = new Line($meeting->along($ta, 50), mt_rand(0, 1) ? $ta : $ta + M_PI);
            $b = new Line($meeting->along($tb, 70), mt_rand(0, 1) ? $tb : $tb + M_PI);
            $made = PlacesOnArc::betweenTangents($a, $b, 12.5);
            [$begin, $end, $centre] = array_map(static fn ($p) => $p->position, $made->solutions[0]->places);
            self::assertEqualsWithDelta(12.5, abs($a->right($centre)), 1e-6);
            self::assertEqualsWithDelta(12.5, abs($b->right($centre)), 1e-6);
            self::assertEqualsWithDelta(0.0, $a->right($begin), 1e-6);
            self::assertEqualsWithDelta(0.0, $b->right($end), 1e-6);
            self::assertEqualsWithDelta(
                0.0, $meeting->azimuthTo($begin) - (new Position(0, 0))->azimuthTo((new Position(0, 0))->along($ta, 1)), 1e-6,
                'on the side that was touched',
            );
        }
    }

    public function test_bolts_stand_where_their_pattern_says(): void
    {
        $bolts = PlacesInPattern::circle([new Position(100, 200, 3.5)], 0.25, 6, M_PI / 6)->solutions[0]->places;
        self::assertCount(6, $bolts);
        self::assertEqualsWithDelta(
            [100 + 0.25 * cos(M_PI / 6), 200 + 0.125, 3.5],
            [$bolts[0]->position->northing, $bolts[0]->position->easting, $bolts[0]->position->elevation], 1e-12,
        );
        $plate = PlacesInPattern::rectangle([new Position(0, 0), new Position(10, 0)], 2, 2, 0.4, 0.3, 0.0)->solutions[0]->places;
        self::assertSame(['1.1', '1.2', '1.3', '1.4', '2.1', '2.2', '2.3', '2.4'], array_map(static fn ($p) => $p->word, $plate));
        self::assertEqualsWithDelta([-0.2, -0.15], [$plate[0]->position->northing, $plate[0]->position->easting], 1e-12);
        self::assertEqualsWithDelta([10.2, 0.15], [$plate[7]->position->northing, $plate[7]->position->easting], 1e-12);
        $this->expectExceptionMessage('between 1 and 1,000');
        PlacesInPattern::circle([new Position(0, 0)], 1.0, 0, 0.0);
    }

    public function test_the_inverse_tells_slope_and_grade_only_where_both_heights_are_known(): void
    {
        $inverse = Inverse::between(new Position(0, 0, 10.0), new Position(30, 40, 9.0));
        self::assertEqualsWithDelta(
            [50.0, atan2(4, 3), -1.0, sqrt(2501), -0.02],
            [$inverse->distance, $inverse->direction, $inverse->rise, $inverse->slope, $inverse->grade], 1e-12,
        );
        self::assertNull(Inverse::between(new Position(0, 0), new Position(1, 1, 2.0))->rise);
    }

    /** @return list<list<int>> sides 0 to 2, angles 3 to 5; not the three angles alone */
    private static function threeOfSix(): array
    {
        $all = [];
        for ($mask = 0; $mask < 64; $mask++) {
            $parts = array_values(array_filter(range(0, 5), static fn (int $k) => ($mask >> $k & 1) === 1));
            if (count($parts) === 3 && $parts !== [3, 4, 5]) {
                $all[] = $parts;
            }
        }

        return $all;
    }

    public function test_a_bolt_circle_has_all_its_bolts_on_it(): void
    {
        $bolts = PlacesInPattern::circle([new Position(100, 200)], 0.25, 3, 0.4)->solutions[0]->places;
        foreach ($bolts as $i => $bolt) {
            $t = 0.4 + 2 * M_PI * $i / 3;
            self::assertEqualsWithDelta([100 + 0.25 * cos($t), 200 + 0.25 * sin($t)], [$bolt->position->northing, $bolt->position->easting], 1e-12);
        }
    }

    public function test_an_elevation_between_two_points_is_by_the_way_along_them(): void
    {
        $made = ElevationRule::Between->apply(new Position(20, 3), 0.0, new Position(0, 0, 10.0), new Position(50, 0, 12.5));
        self::assertEqualsWithDelta(11.0, (float) $made->elevation, 1e-12);
    }
}
