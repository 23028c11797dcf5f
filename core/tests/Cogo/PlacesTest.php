<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Cogo;

use Parlay\Core\Cogo\CurveElement;
use Parlay\Core\Cogo\Inverse;
use Parlay\Core\Cogo\Made;
use Parlay\Core\Cogo\MadePlace;
use Parlay\Core\Cogo\PlacesFound;
use Parlay\Core\Cogo\PlacesOnArc;
use Parlay\Core\Cogo\PlacesOnPolyline;
use Parlay\Core\Cogo\Quantity;
use Parlay\Core\Cogo\QuantityKind;
use Parlay\Core\Cogo\SimpleCurve;
use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Polyline;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Tests\Reference;
use Parlay\Core\Units\Angle;
use PHPUnit\Framework\TestCase;

/** What people compute by hand: each place is held to what it must fulfil, wherever it lies. */
final class PlacesTest extends TestCase
{
    public function test_an_inverse_says_distance_direction_rise_slope_and_grade(): void
    {
        $there = Inverse::along([new Position(5e6, 4e5, 10.0), new Position(5e6 + 30.0, 4e5 + 40.0, 8.0)])->solutions[0];
        self::assertSame(
            ['horizontal distance', 'direction', 'falls by', 'slope distance', 'grade, falling'], self::words($there->figures),
        );
        self::assertEqualsWithDelta([50.0, atan2(40, 30), 2.0, hypot(50, 2), 0.04], self::values($there->figures), 1e-9);
        self::assertSame([], $there->places);
        self::assertCount(1, $there->drawn);
        $flat = Inverse::along([new Position(0, 0), new Position(0, 0, 4.0)])->solutions[0];
        self::assertSame(
            ['horizontal distance'], self::words($flat->figures), 'one place and itself has no direction, and without a height no rise',
        );
        $up = Inverse::along([new Position(0, 0, 1.0), new Position(0, 0, 3.0)])->solutions[0];
        self::assertSame(['horizontal distance', 'rises by', 'slope distance'], self::words($up->figures), 'straight up there is no grade');
    }

    public function test_several_places_are_summed_and_one_is_refused(): void
    {
        $made = Inverse::along([new Position(0, 0), new Position(3, 4), new Position(3, 10), new Position(0, 10)])->solutions[0];
        self::assertSame('all together', $made->figures[count($made->figures) - 1]->word);
        self::assertEqualsWithDelta(14.0, $made->figures[count($made->figures) - 1]->value, 1e-12);
        self::assertContains('horizontal distance 2 to 3', self::words($made->figures));
        $this->expectException(NoConstruction::class);
        Inverse::along([new Position(0, 0)]);
    }

    public function test_direction_and_distance_leads_there_and_a_turned_angle_too(): void
    {
        mt_srand(31);
        for ($i = 0; $i < 300; $i++) {
            [$from, $back] = [self::somewhere(), self::somewhere()];
            [$azimuth, $distance, $right] = [
                mt_rand(-9000, 9000) / 1000, mt_rand(-500_000, 500_000) / 1000, mt_rand(-20_000, 20_000) / 1000,
            ];
            $to = self::only(PlacesFound::byDirectionAndDistance($from, $azimuth, $distance, $right));
            $line = new Line($from, $azimuth);
            self::assertEqualsWithDelta([$distance, $right], [$line->along($to), $line->right($to)], 1e-6);
            $angle = mt_rand(0, 6283) / 1000;
            $turned = self::only(PlacesFound::byTurnedAngle($from, $back, $angle, abs($distance) + 1.0));
            self::assertEqualsWithDelta(0.0, Angle::signed($from->azimuthTo($turned) - $from->azimuthTo($back) - $angle), 1e-9);
        }
    }

    public function test_two_lines_meet_where_both_go_through_and_the_angle_between_them_is_the_smaller_one(): void
    {
        $made = PlacesFound::byTwoLines(new Line(new Position(0, 0), 0.2), new Line(new Position(0, 50), 0.2 - 1.0));
        $at = self::only($made);
        self::assertEqualsWithDelta(0.0, (new Line(new Position(0, 0), 0.2))->right($at), 1e-9);
        self::assertEqualsWithDelta(0.0, (new Line(new Position(0, 50), 0.2 - 1.0))->right($at), 1e-9);
        self::assertEqualsWithDelta(1.0, self::figure($made, 'angle between'), 1e-9);
        $this->expectException(NoConstruction::class);
        PlacesFound::byTwoLines(new Line(new Position(0, 0), 0.2), new Line(new Position(0, 50), 0.2 + M_PI));
    }

    /** By hand: three along the second, and four behind where the first begins; a word says so, and no sign. */
    public function test_a_crossing_behind_a_beginning_is_told_in_words(): void
    {
        $made = PlacesFound::byTwoLines(new Line(new Position(0, 0), 0.0), new Line(new Position(-4, 3), 1.5 * M_PI));
        self::assertEqualsWithDelta(4.0, self::figure($made, 'behind the beginning of the first'), 1e-9);
        self::assertEqualsWithDelta(3.0, self::figure($made, 'along the second'), 1e-9);
        $ahead = PlacesFound::byTwoLines(new Line(new Position(-10, 0), 0.0), new Line(new Position(-4, 0), 1.5 * M_PI));
        self::assertEqualsWithDelta(6.0, self::figure($ahead, 'along the first'), 1e-9);
        self::assertEqualsWithDelta(0.0, self::figure($ahead, 'along the second'), 1e-9);
    }

    public function test_where_two_solutions_fit_both_are_lettered_and_told_apart(): void
    {
        [$a, $b] = [new Position(1000.0, 2000.0), new Position(1030.0, 2000.0)];
        $two = PlacesFound::byTwoDistances($a, 20.0, $b, 25.0);
        self::assertSame(['A', 'B'], array_map(static fn ($s) => $s->letter, $two->solutions));
        self::assertStringContainsString('to the left', $two->solutions[0]->word);
        foreach ($two->solutions as $s) {
            self::assertEqualsWithDelta(
                [20.0, 25.0], [$a->distanceTo($s->places[0]->position), $b->distanceTo($s->places[0]->position)], 1e-9,
            );
        }
        self::assertLessThan(
            2000.0, $two->solutions[0]->places[0]->position->easting, 'from the first to the second northward, left is west',
        );
        self::assertSame($two->solutions[1]->places[0], $two->place('B', 0));
        self::assertNull($two->place('C', 0));
        self::assertNull($two->place('A', 1));
        $line = PlacesFound::byLineAndDistance(new Line($a, 0.0), new Position(1015.0, 2003.0), 5.0);
        self::assertEqualsWithDelta(
            [1011.0, 1019.0], array_map(static fn ($s) => $s->places[0]->position->northing, $line->solutions), 1e-9,
        );
        $touch = PlacesFound::byLineAndDistance(new Line($a, 0.0), new Position(1015.0, 2003.0), 3.0);
        self::assertSame('the only one: they just touch', $touch->solutions[0]->word);
        self::assertCount(2, Made::several([[Quantity::length('a', 1.0)], [Quantity::length('a', 2.0)]])->solutions);
        $this->expectException(NoConstruction::class);
        PlacesFound::byTwoDistances($a, 2.0, $b, 3.0);
    }

    /**
     * Ghilani & Wolf, *Elementary Surveying*, horizontal curves (formulas recalled): T = R tan(I/2), L = R I, C = 2R sin(I/2), E =
     * R(sec(I/2) − 1), M = R(1 − cos(I/2)).
     */
    public function test_a_curve_has_the_elements_of_the_handbook(): void
    {
        $i = deg2rad(8.4);
        $curve = SimpleCurve::from(CurveElement::Radius, 286.479, CurveElement::Angle, $i);
        $wanted = [
            'radius' => 286.479, 'angle' => $i, 'length' => 286.479 * $i, 'chord' => 2 * 286.479 * sin($i / 2),
            'tangent' => 286.479 * tan($i / 2), 'external' => 286.479 * (1 / cos($i / 2) - 1),
            'middle ordinate' => 286.479 * (1 - cos($i / 2)),
        ];
        $figures = array_column(array_map(static fn (Quantity $f) => [$f->word, $f->value], $curve->figures()), 1, 0);
        self::assertEqualsWithDelta($wanted, $figures, 1e-9);
        self::assertArrayNotHasKey(
            'tangent', array_flip(self::words(SimpleCurve::from(CurveElement::Radius, 5.0, CurveElement::Angle, 4.0)->figures())),
            'past half a turn the tangents do not meet',
        );
        foreach ([[
            CurveElement::Radius, 5.0, CurveElement::Radius, 5.0,
        ], [CurveElement::Tangent, 5.0, CurveElement::MiddleOrdinate, 1.0], [CurveElement::Radius, -5.0, CurveElement::Angle, 1.0],
            [CurveElement::Angle, 3.3, CurveElement::Tangent, 5.0],
            [CurveElement::Angle, 6.4, CurveElement::Radius, 5.0]] as [$a, $p, $b, $q]) {
            try {
                SimpleCurve::from($a, $p, $b, $q);
                self::fail('It was taken.');
            } catch (NoConstruction $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
    }

    public function test_an_arc_through_three_places_runs_over_all_of_them_as_numpy_has_it(): void
    {
        mt_srand(33);
        $threes = [];
        for ($i = 0; $i < 60; $i++) {
            $threes[] = array_map(static fn () => [mt_rand(-90_000, 90_000) / 1000, mt_rand(-90_000, 90_000) / 1000], [0, 1, 2]);
        }
        $centres = Reference::python(<<<'PY'
            import numpy as np
            out = []
            for t in input:
                p = np.array(t)
                m = 2 * (p[1:] - p[0])
                out.append(np.linalg.solve(m, (p[1:] ** 2).sum(1) - (p[0] ** 2).sum()).tolist())
            print(json.dumps(out))
            PY, $threes);
        foreach ($threes as $i => $three) {
            [$a, $b, $c] = array_map(static fn (array $p) => new Position($p[0], $p[1]), $three);
            $made = PlacesOnArc::throughThree($a, $b, $c);
            $centre = self::only($made);
            $radius = self::figure($made, 'radius');
            self::assertEqualsWithDelta($centres[$i], [$centre->northing, $centre->easting], 1e-6 * max(1.0, $radius));
            [$arc] = $made->solutions[0]->drawn;
            self::assertEqualsWithDelta(
                0.0, $arc->at($arc->foot($b)[0] ?? 0.0)->distanceTo($b), 1e-6 * max(1.0, $radius), 'over the second place',
            );
        }
        $this->expectException(NoConstruction::class);
        PlacesOnArc::throughThree(new Position(0, 0), new Position(1, 1), new Position(3, 3));
    }

    /** The circle of radius 25 about the origin through (-7, 24) and (7, 24): 7, 24, 25 is Pythagoras'. */
    public function test_an_arc_between_two_places_by_any_of_its_elements_is_the_same_arc_cut_alike(): void
    {
        // Northing first: from west to east over the top, to the right.
        [$from, $to] = [new Position(24.0, -7.0, 1.0), new Position(24.0, 7.0, 3.0)];
        $angle = 2 * asin(7 / 25);
        foreach ([[CurveElement::Radius, 25.0], [CurveElement::MiddleOrdinate, 1.0], [CurveElement::Angle, $angle], [CurveElement::Length, 25.0 * $angle]] as [$element, $value]) {
            $made = PlacesOnArc::between($from, $to, $element, $value, true, 4);
            $byWord = array_column(array_map(static fn (MadePlace $p) => [$p->word, $p->position], $made->solutions[0]->places), 1, 0);
            self::assertEqualsWithDelta([0.0, 0.0], [$byWord['centre']->northing, $byWord['centre']->easting], 1e-7, $element->value);
            self::assertEqualsWithDelta([25.0, 0.0, 2.0], [$byWord['middle']->northing, $byWord['middle']->easting, $byWord['middle']->elevation], 1e-7);
            self::assertSame(['1', '2', '3', 'middle', 'centre'], array_map(strval(...), array_keys($byWord)));
            self::assertEqualsWithDelta([25 * cos($angle / 4), -25 * sin($angle / 4), 1.5], [$byWord['1']->northing, $byWord['1']->easting, $byWord['1']->elevation], 1e-7);
            self::assertEqualsWithDelta([25.0, 1.0, 25 * $angle / 4], [self::figure($made, 'radius'), self::figure($made, 'rise'), self::figure($made, 'one part')], 1e-7);
        }
        $left = PlacesOnArc::between($from, $to, CurveElement::Radius, 25.0, false, 1);
        self::assertEqualsWithDelta(48.0, array_column(array_map(
            static fn (MadePlace $p) => [$p->word, $p->position->northing], $left->solutions[0]->places,
        ), 1, 0)['centre'], 1e-7, 'the other side of the chord');
        foreach ([[$from, CurveElement::Radius, 25.0], [$to, CurveElement::Radius, 6.9], [$to, CurveElement::MiddleOrdinate, -1.0]] as [$end, $element, $value]) {
            try {
                PlacesOnArc::between($from, $end, $element, $value, true, 2);
                self::fail('no such arc');
            } catch (NoConstruction) {
                $this->addToAssertionCount(1);
            }
        }
    }

    public function test_an_arc_that_leaves_bends_to_its_side_and_ends_in_the_new_direction(): void
    {
        $curve = SimpleCurve::from(CurveElement::Radius, 40.0, CurveElement::Angle, 1.1);
        foreach ([true, false] as $right) {
            $made = PlacesOnArc::leaving(new Position(10, 20, 3.0), 0.3, $curve, $right);
            $byWord = array_column(array_map(static fn (MadePlace $p) => [$p->word, $p->position], $made->solutions[0]->places), 1, 0);
            [$arc] = $made->solutions[0]->drawn;
            self::assertEqualsWithDelta(0.0, Angle::signed($arc->azimuthAt($arc->length()) - 0.3 - ($right ? 1.1 : -1.1)), 1e-9);
            self::assertEqualsWithDelta(40.0, $byWord['centre']->distanceTo($byWord['middle']), 1e-9);
            self::assertEqualsWithDelta(
                $byWord['meeting of the tangents']->distanceTo(new Position(10, 20)),
                $byWord['meeting of the tangents']->distanceTo($byWord['end']), 1e-9,
            );
            self::assertSame($right, (new Line(new Position(10, 20), 0.3))->right($byWord['end']) > 0);
        }
        self::assertCount(3, PlacesOnArc::leaving(
            new Position(0, 0), 0.0, SimpleCurve::from(CurveElement::Radius, 4.0, CurveElement::Angle, 3.5), true,
        )->solutions[0]->places);
        $this->expectException(NoConstruction::class);
        PlacesOnArc::betweenTangents(new Line(new Position(0, 0), 0.0), new Line(new Position(5, 5), 1.0), 0.0);
    }

    public function test_along_a_chain_places_keep_their_station_and_their_offset(): void
    {
        $p = static fn (float $n, float $e) => new Position($n, $e);
        $chain = Polyline::of([new Leg($p(0, 0), $p(0, 30)), Leg::leaving($p(0, 30), M_PI_2, 20.0, -M_PI_2)]);
        $made = PlacesOnPolyline::at($chain, 40.0, -2.0);
        $foot = PlacesOnPolyline::foot($chain, self::only($made));
        self::assertEqualsWithDelta(40.0, self::figure($foot, 'along'), 1e-6);
        self::assertEqualsWithDelta(2.0, self::figure($foot, 'offset to the left'), 1e-6);
        self::assertEqualsWithDelta($chain->length(), self::figure($made, 'along') + self::figure($made, 'to the other end'), 1e-9);
        $parts = PlacesOnPolyline::divided($chain, 4, 0.0);
        self::assertSame(['1', '2', '3', '4', '5'], array_map(static fn (MadePlace $m) => $m->word, $parts->solutions[0]->places));
        self::assertEqualsWithDelta($chain->length() / 4, self::figure($parts, 'one part'), 1e-9);
        $every = PlacesOnPolyline::every($chain, 10.0, true, 0.0)->solutions[0]->places;
        self::assertEqualsWithDelta(0.0, $every[3]->position->distanceTo($p(0, 30)), 1e-9, 'corners are among them');
        self::assertCount(3, PlacesOnPolyline::corners($chain)->solutions[0]->places);
        $beside = PlacesOnPolyline::parallel($chain, 5.0);
        self::assertEqualsWithDelta(30.0 + 25.0 * M_PI_2, self::figure($beside, 'length'), 1e-9, 'outside a bend it is longer');
    }

    public function test_boards_are_set_back_beyond_every_corner_on_both_sides_and_an_outline_has_its_area(): void
    {
        $corners = [new Position(0, 0), new Position(0, 40), new Position(25, 40), new Position(25, 0)];
        $legs = array_map(static fn (int $i) => new Leg($corners[$i], $corners[($i + 1) % 4]), [0, 1, 2, 3]);
        $outline = Polyline::of($legs);
        $boards = PlacesOnPolyline::setBack($outline, 3.0)->solutions[0]->places;
        self::assertSame(['1a', '1b', '2a', '2b', '3a', '3b', '4a', '4b'], array_map(static fn (MadePlace $m) => $m->word, $boards));
        foreach ($boards as $i => $board) {
            self::assertEqualsWithDelta(3.0, $board->position->distanceTo($corners[intdiv($i, 2)]), 1e-9);
            self::assertTrue($board->position->northing < 0
                || $board->position->northing > 25
                || $board->position->easting < 0
                || $board->position->easting > 40, 'outside');
        }
        $area = PlacesOnPolyline::enclosed($outline);
        self::assertEqualsWithDelta([1000.0, 130.0], [self::figure($area, 'area'), self::figure($area, 'perimeter')], 1e-9);
        self::assertSame(QuantityKind::Area, $area->solutions[0]->figures[0]->kind);
        self::assertEqualsWithDelta([12.5, 20.0], [self::only($area)->northing, self::only($area)->easting], 1e-9);
        foreach ([
            static fn () => PlacesOnPolyline::setBack(Polyline::of(array_slice($legs, 0, 3)), 3.0),
            static fn () => PlacesOnPolyline::setBack($outline, 0.0), static fn () => PlacesOnPolyline::divided($outline, 0, 0.0),
        ] as $wrong) {
            try {
                $wrong();
                self::fail('It was taken.');
            } catch (NoConstruction $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
    }

    private static function somewhere(): Position
    {
        return new Position(5e6 + mt_rand(-900_000, 900_000) / 1000, 3e5 + mt_rand(-900_000, 900_000) / 1000);
    }

    private static function only(Made $made): Position
    {
        self::assertCount(1, $made->solutions);

        return $made->solutions[0]->places[0]->position;
    }

    private static function figure(Made $made, string $word): float
    {
        foreach ([...$made->solutions[0]->figures, ...$made->figures] as $f) {
            if ($f->word === $word) {
                return $f->value;
            }
        }
        self::fail("There is no figure “{$word}”.");
    }

    /**
     * @param  list<Quantity>  $figures
     * @return list<string>
     */
    private static function words(array $figures): array
    {
        return array_map(static fn (Quantity $f) => $f->word, $figures);
    }

    /**
     * @param  list<Quantity>  $figures
     * @return list<float>
     */
    private static function values(array $figures): array
    {
        return array_map(static fn (Quantity $f) => $f->value, $figures);
    }
}
