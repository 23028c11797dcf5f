<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setups;

use Parlay\Core\Adjustment\Reliability;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Setups\CannotSetUp;
use Parlay\Core\Setups\CautionKind;
use Parlay\Core\Setups\GridLines;
use Parlay\Core\Setups\LineShot;
use Parlay\Core\Setups\Precision;
use Parlay\Core\Setups\SetupSolution;
use Parlay\Core\Setups\ShotResidual;
use Parlay\Core\Setups\SiteLine;
use Parlay\Core\Tests\Reference;
use Parlay\Core\Units\Angle;
use PHPUnit\Framework\TestCase;

final class GridLinesTest extends TestCase
{
    private const LEVEL = 40.0;

    public function test_two_lines_give_two_places_half_a_turn_apart_about_their_crossing(): void
    {
        $field = new Field(1, noisy: 0.0);
        [$a, $b] = self::lines($field);
        $places = self::solve($field, [...self::shots($field, $a, [0.2, 0.8]), ...self::shots($field, $b, [0.3, 0.9])])->places();
        self::assertCount(2, $places);
        self::assertLessThan(
            1e-5, $places[0]->solution->station->mark->distanceTo($field->station),
            'the one whose shots lie on the drawn parts comes first',
        );
        self::assertEqualsWithDelta(0.0, Angle::signed($places[0]->solution->station->orientation - $field->orientation), 1e-7);
        self::assertSame(4, $places[0]->onDrawn);
        self::assertLessThan(4, $places[1]->onDrawn);
        self::assertEqualsWithDelta(M_PI, abs(Angle::signed($places[1]->solution->station->orientation - $field->orientation)), 1e-7);
        $crossing = new Position($field->station->northing - 20.0, $field->station->easting - 15.0);
        self::assertEqualsWithDelta(
            2 * $crossing->northing - $field->station->northing, $places[1]->solution->station->mark->northing, 1e-5,
        );
        self::assertSame(CautionKind::TwoPlacesOnLines, $places[0]->solution->cautions[0]->kind);
    }

    public function test_shots_beside_a_covered_line_and_a_skewed_grid(): void
    {
        $field = new Field(2, noisy: 0.0);
        $a = new SiteLine('A', new Position(4980.0, 1960.0), new Position(4990.0, 2050.0), 0.5);
        $b = new SiteLine('7', new Position(4970.0, 1990.0), new Position(5060.0, 1970.0), -0.25);
        $place = self::solve($field, [...self::shots($field, $a, [0.1, 0.5, 0.9]), ...self::shots($field, $b, [0.2, 0.7])])->places()[0];
        self::assertLessThan(1e-5, $place->solution->station->mark->distanceTo($field->station));
        self::assertEqualsWithDelta([0, 0, 0, 0, 0], array_map(static fn (ShotResidual $r) => $r->offset, $place->solution->shots), 1e-6);
    }

    public function test_a_third_line_leaves_one_place(): void
    {
        $field = new Field(3);
        [$a, $b] = self::lines($field);
        $c = new SiteLine(
            'C', new Position($field->station->northing + 25.0, $field->station->easting - 40.0),
            new Position($field->station->northing + 25.0, $field->station->easting + 40.0),
        );
        $places = self::solve(
            $field, [...self::shots($field, $a, [0.2, 0.8]), ...self::shots($field, $b, [0.3, 0.9]), ...self::shots($field, $c, [0.5])],
        )->places();
        self::assertCount(1, $places);
        self::assertLessThan(0.01, $places[0]->solution->station->mark->distanceTo($field->station));
    }

    public function test_one_control_point_leaves_one_place_and_gives_a_height(): void
    {
        $field = new Field(4);
        [$a, $b] = self::lines($field);
        $places = self::solve(
            $field, [...self::shots($field, $a, [0.2, 0.8]), ...self::shots($field, $b, [0.3, 0.9])],
            [$field->controlSight('CP', $field->mark(30, 60))],
        )->places();
        self::assertCount(1, $places);
        self::assertEqualsWithDelta(40.0, $places[0]->solution->station->mark->elevation, 0.01);
    }

    public function test_the_measured_angle_is_held_against_the_design(): void
    {
        $field = new Field(5, noisy: 0.0);
        [$a, $b] = self::lines($field);
        $turned = new SiteLine('B', $b->from, $b->from->along($b->azimuth() + deg2rad(0.2), 60.0));
        $angle = self::solve($field, [
            ...self::shots($field, $a, [0.2, 0.8]),
            ...array_map(static fn (LineShot $s) => new LineShot($turned, $s->sight), self::shots($field, $b, [0.1, 0.9])),
        ])->angle();
        self::assertEqualsWithDelta(deg2rad(-0.2), $angle['off'], 1e-6);
        self::assertLessThan(abs($angle['off']), 3 * $angle['deviation']);
    }

    public function test_each_shot_says_how_well_the_others_check_it_and_a_bad_one_stands_out(): void
    {
        $field = new Field(11, noisy: 0.0);
        [$a, $b] = self::lines($field);
        $shots = [...self::shots($field, $a, [0.1, 0.5, 0.7, 0.9]), ...self::shots($field, $b, [0.2, 0.5, 0.9])];
        $beside = new SiteLine('A', $a->from, $a->to, 0.03);
        $shots[1] = new LineShot($a, self::shots($field, $beside, [0.5])[0]->sight);
        $control = [$field->controlSight('CP', $field->mark(30, 60))];
        $place = self::solve($field, $shots, $control)->places()[0];
        $normalised = array_map(static fn (ShotResidual $r): float => (float) $r->reliability?->normalised, $place->solution->shots);
        self::assertSame(1, array_search(max($normalised), $normalised, true));
        self::assertGreaterThan(4.0, $normalised[1]);
        // Redundancy numbers add up to the spare observations: those of the shots and those of the control beside them.
        $sum = array_sum(array_map(static fn (ShotResidual $r): float => (float) $r->reliability?->redundancy, $place->solution->shots));
        foreach ($place->solution->residuals[0]->observed as $o) {
            $sum += $o->redundancy;
        }
        self::assertEqualsWithDelta($place->solution->redundancy, $sum, 1e-6);
        // What its absence changes is what is found without it.
        $without = self::solve(
            $field,
            array_map(static fn (LineShot $s, int $i) => new LineShot($s->line, $s->sight, $i !== 1), $shots, array_keys($shots)),
            $control,
        )->places()[0];
        self::assertNull($without->solution->shots[1]->reliability);
        self::assertEqualsWithDelta(0.03, abs($without->solution->shots[1]->offset), 1e-5);
        self::assertEqualsWithDelta(
            (float) $place->solution->shots[1]->moves, $place->solution->station->mark->distanceTo($without->solution->station->mark),
            1e-4,
        );
    }

    public function test_two_shots_on_each_of_two_lines_check_only_the_angle_between_them(): void
    {
        $field = new Field(12, noisy: 0.0);
        [$a, $b] = self::lines($field);
        $place = self::solve($field, [...self::shots($field, $a, [0.2, 0.8]), ...self::shots($field, $b, [0.3, 0.9])])->places()[0];
        self::assertSame(1, $place->solution->redundancy);
        self::assertEqualsWithDelta(
            1.0,
            array_sum(array_map(static fn (ShotResidual $r): float => (float) $r->reliability?->redundancy, $place->solution->shots)),
            1e-6,
        );
    }

    public function test_the_shot_that_fits_worst_is_suspected_and_only_where_it_fits_too_badly(): void
    {
        $field = new Field(9);
        $with = static fn (array $shots): ?int => (new SetupSolution(
            new Station($field->station, 0.0, 1.6), new Precision([[0.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]], null), [], 3,
            1.0, [], shots: $shots,
        ))->suspectShot();
        $shot = static fn (?float $off): ShotResidual => new ShotResidual(
            'A', 0.001, $off === null ? null : Reliability::kept(0.5, $off, 0.01),
        );
        self::assertSame([1, null, null, 2, null], [
            $with([$shot(6.1), $shot(10.0), $shot(5.8)]), $with([$shot(1.2), $shot(3.3)]), $with([]),
            $with([$shot(null), $shot(3.2), $shot(3.31)]), $with([$shot(null)]),
        ]);
    }

    /** The closing error is shared by weights: scipy, with the same four conditions. */
    public function test_the_closing_error_is_shared_as_scipy_shares_it(): void
    {
        foreach ([6, 7, 8] as $seed) {
            $field = new Field($seed, noisy: 3.0);
            [$a, $b] = self::lines($field);
            $shots = [...self::shots($field, $a, [0.2, 0.5, 0.9]), ...self::shots($field, $b, [0.3, 0.9])];
            $ours = self::solve($field, $shots)->places()[0]->solution;
            $accuracy = $field->accuracy;
            $theirs = Reference::python(<<<'PY'
                import numpy as np
                from scipy.optimize import least_squares
                a = input['accuracy']
                def f(x):
                    r = []
                    for i, q in enumerate(input['shots']):
                        d, c, tn, te = x[3 + 4 * i:7 + 4 * i]
                        az = q['circle'] + c * 1e-5 + x[2]
                        n, e = x[0] + (q['d'] + d) * np.cos(az) + tn, x[1] + (q['d'] + d) * np.sin(az) + te
                        r += [d / q['sd'], c * 1e-5 / a['angle'], tn / a['centring'], te / a['centring']]
                        across = q['azimuth'] + np.pi / 2
                        r.append(((n - q['n']) * np.cos(across) + (e - q['e']) * np.sin(across)) / 1e-7)
                    return np.array(r)
                s = least_squares(f, input['start'] + [0.0] * (4 * len(input['shots'])), xtol=1e-15, ftol=1e-15, gtol=1e-15, x_scale=np.array([1, 1, .01] + [.001, 1, .001, .001] * len(input['shots'])))
                c = np.linalg.inv(s.jac.T @ s.jac)
                print(json.dumps({'x': s.x[:3].tolist(), 's': np.sqrt(np.diag(c)[:3]).tolist()}))
                PY, [
                'accuracy' => ['angle' => $accuracy->angle, 'centring' => $accuracy->centring],
                'start' => [0.001, -0.001, $ours->station->orientation],
                'shots' => array_map(static fn (LineShot $s) => [
                    'circle' => $s->sight->circle, 'd' => $s->sight->distance, 'sd' => hypot(
                        $accuracy->distance, $accuracy->distancePpm * 1e-6 * $s->sight->distance,
                    ), 'azimuth' => $s->line->azimuth(),
                    'n' => $s->line->from->northing - $ours->station->mark->northing,
                    'e' => $s->line->from->easting - $ours->station->mark->easting,
                ], $shots),
            ]);
            self::assertEqualsWithDelta([0.0, 0.0], [$theirs['x'][0], $theirs['x'][1]], 2e-5);
            self::assertEqualsWithDelta(0.0, Angle::signed($theirs['x'][2] - $ours->station->orientation), 1e-6);
            self::assertEqualsWithDelta(1.0, $ours->precision->northing() / $theirs['s'][0], 0.01);
            self::assertEqualsWithDelta(1.0, $ours->precision->orientation() / $theirs['s'][2], 0.01);
        }
    }

    public function test_what_does_not_fix_a_place_is_refused_with_its_reason(): void
    {
        $field = new Field(9, noisy: 0.0);
        [$a, $b] = self::lines($field);
        $parallel = new SiteLine(
            'P', new Position($a->from->northing + 5, $a->from->easting), new Position($a->to->northing + 5, $a->to->easting),
        );
        foreach ([
            [[], 'None has been taken'], [self::shots($field, $a, [0.2, 0.8]), '1 of 2 lines is ready'],
            [[...self::shots($field, $a, [0.2, 0.8]), ...self::shots($field, $b, [0.5])], '1 of 2'],
            [[...self::shots($field, $a, [0.2, 0.8]), ...self::shots($field, $parallel, [0.2, 0.8])], 'parallel'],
        ] as [$shots, $word]) {
            try {
                self::solve($field, $shots)->places();
                self::fail('It was taken.');
            } catch (CannotSetUp $e) {
                self::assertStringContainsString($word, $e->getMessage());
            }
        }
        $this->expectException(CannotSetUp::class);
        new SiteLine('none', $a->from, $a->from);
    }

    public function test_lines_that_cross_far_away_say_how_little_they_fix(): void
    {
        $field = new Field(10, noisy: 0.0);
        $a = new SiteLine('A', new Position(4990.0, 1950.0), new Position(4990.0, 2050.0));
        $b = new SiteLine('B', new Position(5010.0, 1950.0), new Position(5014.0, 2050.0));
        $places = self::solve($field, [...self::shots($field, $a, [0.2, 0.8]), ...self::shots($field, $b, [0.2, 0.8])])->places();
        self::assertGreaterThan(0.05, $places[0]->solution->precision->ellipse()->major);
    }

    /** Three lines chalked 3 mm off, each as a whole: the stated figure holds the true place as often as it says, however many shots lie on each. */
    public function test_a_line_that_is_chalked_off_is_one_error_for_all_its_shots(): void
    {
        foreach ([2, 10] as $count) {
            $holds = 0;
            foreach (range(1, 400) as $seed) {
                $field = new Field($seed);
                $shots = [];
                foreach ([[-20.0, -40.0, 0.0], [25.0, -40.0, 0.0], [-40.0, -15.0, M_PI_2]] as $i => [$n, $e, $turn]) {
                    $from = new Position($field->station->northing + $n, $field->station->easting + $e);
                    $azimuth = $turn === 0.0 ? M_PI_2 : 0.0;
                    $off = $field->noise(0.003);
                    $chalked = new SiteLine("L$i", $from->along($azimuth + M_PI_2, $off), $from->along($azimuth + M_PI_2, $off)->along($azimuth, 80.0));
                    $designed = new SiteLine("L$i", $from, $from->along($azimuth, 80.0), deviation: 0.003);
                    foreach (self::shots($field, $chalked, array_map(static fn (int $k) => ($k + 0.5) / $count, range(0, $count - 1))) as $shot) {
                        $shots[] = new LineShot($designed, $shot->sight);
                    }
                }
                $found = self::solve($field, $shots)->places()[0]->solution;
                [[$nn, $ne], [, $ee]] = [$found->precision->plan[0], $found->precision->plan[1]];
                [$dn, $de] = [$found->station->mark->northing - $field->station->northing, $found->station->mark->easting - $field->station->easting];
                $holds += ($ee * $dn ** 2 - 2 * $ne * $dn * $de + $nn * $de ** 2) / ($nn * $ee - $ne ** 2) <= 5.991 ? 1 : 0;
            }
            self::assertEqualsWithDelta(0.95, $holds / 400, 0.03, "$count shots on each");
        }
    }

    /** @return array{SiteLine, SiteLine} two lines at a right angle, crossing south-west of the station */
    private static function lines(Field $field): array
    {
        [$n, $e] = [$field->station->northing - 20.0, $field->station->easting - 15.0];

        return [
            new SiteLine('A', new Position($n, $e + 2.0), new Position($n, $e + 60.0)),
            new SiteLine('1', new Position($n + 3.0, $e), new Position($n + 70.0, $e)),
        ];
    }

    /**
     * @param  list<float>  $at  parts of the line
     * @return list<LineShot>
     */
    private static function shots(Field $field, SiteLine $line, array $at): array
    {
        $length = $line->from->distanceTo($line->to);

        return array_map(static fn (float $t) => new LineShot(
            $line,
            $field->sight($line->from->along($line->azimuth(), $t * $length)->along($line->azimuth() + M_PI_2, $line->offset, self::LEVEL)),
        ), $at);
    }

    /**
     * @param  list<LineShot>  $shots
     * @param  list<\Parlay\Core\Setups\ControlSight>  $control
     */
    private static function solve(Field $field, array $shots, array $control = []): GridLines
    {
        return new GridLines($shots, Field::INSTRUMENT_HEIGHT, $field->accuracy, $control);
    }
}
