<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setups;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Setups\CannotSetUp;
use Parlay\Core\Setups\Caution;
use Parlay\Core\Setups\CautionKind;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\Resection;
use Parlay\Core\Tests\Reference;
use Parlay\Core\Units\Angle;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ResectionTest extends TestCase
{
    private const CONTROL = [
        'A' => [1000.0, 2000.0, 10.0], 'B' => [1060.0, 2015.0, 11.0], 'C' => [1030.0, 2090.0, 9.5], 'D' => [962.0, 2071.0, 10.4],
    ];

    public function test_a_perfect_resection_finds_the_station(): void
    {
        $true = new Position(1011.25, 2034.5, 10.2);
        foreach ([0.0, 1e-9, 1.234, M_PI, 2 * M_PI - 1e-9] as $orientation) {
            $solution = Resection::solve(self::sights(self::CONTROL, $true, $orientation), 1.6, self::accuracy());
            self::assertLessThan(2e-5, $solution->station->mark->distanceTo($true));
            self::assertEqualsWithDelta(10.2, $solution->station->mark->elevation, 2e-5);
            self::assertLessThan(1e-6, abs(Angle::signed($solution->station->orientation - $orientation)));
            self::assertSame(8, $solution->redundancy, 'twelve observations, four unknowns');
        }
    }

    public function test_it_holds_far_from_the_origin_and_in_the_south(): void
    {
        foreach ([[5_678_901.0, 3_456_789.0], [-4_000_000.0, 500_000.0]] as [$n, $e]) {
            $control = array_map(static fn (array $c) => [$c[0] + $n, $c[1] + $e, $c[2]], self::CONTROL);
            $true = new Position(1011.25 + $n, 2034.5 + $e, 10.2);
            self::assertLessThan(
                2e-5, Resection::solve(self::sights($control, $true, 2.5), 1.6, self::accuracy())->station->mark->distanceTo($true),
            );
        }
    }

    /**
     * The same observations given to scipy.optimize.least_squares, but with each target's place as three unknowns of its own instead of
     * correlated blocks: an independent way to the same estimate. Some control has deviations, some sights give only plan or only
     * height, some only a direction or a distance.
     */
    #[DataProvider('seeds')]
    public function test_it_agrees_with_scipy(int $seed): void
    {
        $field = new Field(
            $seed, new Position(1000.0 + 37 * $seed, 2020.0, 10.2), $seed, planDeviation: $seed % 2 === 0 ? 0.003 : 0.0,
            heightDeviation: $seed % 3 === 0 ? 0.002 : 0.0,
        );
        $sights = $field->sights(3 + $seed % 4);
        if ($seed > 3) {
            $sights[1] = $sights[1]->with(height: false);
            $sights[2] = $sights[2]->with(distance: false, height: $seed % 2 === 1);
        }
        if ($seed > 6) {
            $sights[0] = $sights[0]->with(direction: false);
            $sights[] = $field->controlSight('level', $field->mark())->with(plan: false);
        }
        $ours = Resection::solve($sights, Field::INSTRUMENT_HEIGHT, $field->accuracy);
        $mark = $ours->station->mark;
        $a = $field->accuracy;
        $scipy = Reference::python(<<<'PY'
            import numpy as np
            from scipy.optimize import least_squares
            s, a = input['sights'], input['accuracy']
            def f(x):
                r = []
                for i, q in enumerate(s):
                    t = x[4 + 3 * i:7 + 3 * i]
                    dn, de = q['n'] + t[0] - x[0], q['e'] + t[1] - x[1]
                    up = q['z'] + q['target'] + t[2] - x[3]
                    flat = np.hypot(dn, de)
                    r += [t[0] / q['plan'], t[1] / q['plan'], t[2] / q['up']]
                    if q['direction']:
                        turn = q['circle'] + x[2] - np.arctan2(de, dn)
                        r.append(((turn + np.pi) % (2 * np.pi) - np.pi) / a['angle'])
                    if q['kind'] == 'space':
                        if q['distance']:
                            r.append((q['slope'] - np.hypot(flat, up)) / q['length'])
                        r.append((q['zenith'] - np.arctan2(flat, up)) / a['angle'])
                    elif q['kind'] == 'plan' and q['distance']:
                        r.append((q['slope'] * np.sin(q['zenith']) - flat) / np.hypot(np.sin(q['zenith']) * q['length'], q['slope'] * np.cos(q['zenith']) * a['angle']))
                    elif q['kind'] == 'height':
                        r.append((q['slope'] * np.cos(q['zenith']) - up) / np.hypot(np.cos(q['zenith']) * q['length'], q['slope'] * np.sin(q['zenith']) * a['angle']))
                return np.array(r)
            start = np.array(input['start'] + [0.0] * (3 * len(s)))
            scale = np.array([1, 1, 0.01, 1] + [0.001] * (3 * len(s)))
            a_ = least_squares(f, start, xtol=1e-15, ftol=1e-15, gtol=1e-15, x_scale=scale)
            c = np.linalg.inv(a_.jac.T @ a_.jac)[:4, :4]
            print(json.dumps({'x': list(a_.x[:4]), 'c': c.tolist(), 'sum': float(2 * a_.cost)}))
            PY, [
            // About the first mark: arctangents of differences of large numbers would drown its last digits.
            'start' => [
                $mark->northing - $sights[0]->control->northing + 0.01, $mark->easting - $sights[0]->control->easting - 0.01,
                $ours->station->orientation + 1e-5, $mark->elevation + 1.6 - 10.0,
            ],
            'accuracy' => ['angle' => $a->angle],
            'sights' => array_map(static fn (ControlSight $s) => [
                'n' => $s->control->northing - $sights[0]->control->northing,
                'e' => $s->control->easting - $sights[0]->control->easting, 'z' => $s->control->elevation - 10.0,
                'target' => $s->sight->target->height, 'circle' => $s->sight->circle,
                'direction' => $s->givesDirection(), 'distance' => $s->distance,
                'slope' => hypot($s->sight->distance, $s->sight->rise), 'zenith' => atan2($s->sight->distance, $s->sight->rise),
                'kind' => ! $s->plan ? 'height' : ($s->givesHeight() ? 'space' : 'plan'),
                'plan' => hypot($s->planDeviation, $a->centring), 'up' => hypot($s->heightDeviation, $a->height),
                'length' => hypot($a->distance, $a->distancePpm * 1e-6 * $s->sight->slope),
            ], $sights),
        ]);
        self::assertEqualsWithDelta($scipy['x'][0], $mark->northing - $sights[0]->control->northing, 2e-7);
        self::assertEqualsWithDelta($scipy['x'][1], $mark->easting - $sights[0]->control->easting, 2e-7);
        self::assertEqualsWithDelta(0.0, Angle::signed($scipy['x'][2] - $ours->station->orientation), 2e-9);
        self::assertEqualsWithDelta($scipy['x'][3] + 10.0 - 1.6, $mark->elevation, 2e-7);
        $p = $ours->precision;
        self::assertEqualsWithDelta(
            array_map(sqrt(...), [$scipy['c'][0][0], $scipy['c'][1][1], $scipy['c'][2][2], $scipy['c'][3][3]]),
            [$p->northing(), $p->easting(), $p->orientation(), $p->height()], 2e-7,
        );
        self::assertEqualsWithDelta($scipy['c'][0][1] / sqrt($scipy['c'][0][0] * $scipy['c'][1][1]), $p->correlation(0, 1), 1e-3);
        self::assertEqualsWithDelta($scipy['sum'], $ours->unitWeightDeviation ** 2 * $ours->redundancy, 1e-3);
    }

    public static function seeds(): array
    {
        return array_map(static fn (int $s) => [$s], range(1, 9));
    }

    public function test_a_wrong_coordinate_stands_out_and_can_be_left_out(): void
    {
        $true = new Position(1011.25, 2034.5, 10.2);
        $control = self::CONTROL;
        $sights = self::sights($control, $true, 0.4);
        $sights[2] = new ControlSight('C', new Position(1030.1, 2090.0, 9.5), $sights[2]->sight);
        $with = Resection::solve($sights, 1.6, self::accuracy());
        self::assertGreaterThan(10, $with->unitWeightDeviation);
        self::assertContainsEquals(Caution::by(CautionKind::ResidualsTooLarge, (float) $with->unitWeightDeviation), $with->cautions);
        $sights[2] = $sights[2]->unused();
        $without = Resection::solve($sights, 1.6, self::accuracy());
        self::assertLessThan(2e-5, $without->station->mark->distanceTo($true));
        self::assertFalse($without->residuals[2]->usedForPlan);
        self::assertGreaterThan(0.05, hypot((float) $without->residuals[2]->across, (float) $without->residuals[2]->distance));
    }

    /** Seventy metres wrong: it must not be refused, since only the residuals can show which sight it is. */
    public function test_a_sight_far_wrong_is_shown_and_not_refused(): void
    {
        foreach (range(1, 40) as $seed) {
            $field = new Field($seed);
            $sights = $field->sights(4);
            $sights[$seed % 4] = $sights[$seed % 4]->with(control: $sights[$seed % 4]->control->along($seed, 70.0, 40.0));
            $solution = Resection::solve($sights, Field::INSTRUMENT_HEIGHT, $field->accuracy);
            self::assertFalse($solution->passes);
            self::assertGreaterThan(100, $solution->unitWeightDeviation);
            self::assertNotNull($solution->residuals[$seed % 4]->normalised);
        }
    }

    public function test_a_wrong_target_height_shows_in_height_only(): void
    {
        $true = new Position(1011.25, 2034.5, 10.2);
        $sights = self::sights(self::CONTROL, $true, 0.4);
        $sights[1] = new ControlSight('B', $sights[1]->control, self::reduce($true, $sights[1]->control, 0.4, 2.0, 1.9));
        $solution = Resection::solve($sights, 1.6, self::accuracy());
        self::assertGreaterThan(0.05, abs((float) $solution->residuals[1]->height));
        self::assertLessThan(0.0005, abs((float) $solution->residuals[1]->distance));
    }

    public function test_a_weak_figure_is_said(): void
    {
        $inLine = ['A' => [1000.0, 2000.0, 10.0], 'B' => [1000.0, 2100.0, 10.0]];
        $solution = Resection::solve(self::sights($inLine, new Position(1000.5, 2050.0, 10.2), 0.4), 1.6, self::accuracy());
        self::assertContainsEquals(Caution::that(CautionKind::OnlyTwoSights), $solution->cautions);
    }

    public function test_control_without_elevation_gives_no_height(): void
    {
        $control = array_map(static fn (array $c) => [$c[0], $c[1], null], self::CONTROL);
        $sights = array_map(
            static fn (ControlSight $s, array $c) => new ControlSight($s->name, new Position($c[0], $c[1]), $s->sight),
            self::sights(self::CONTROL, new Position(1011.0, 2034.0, 10.2), 0.4), $control,
        );
        $solution = Resection::solve($sights, 1.6, self::accuracy());
        self::assertNull($solution->station->mark->elevation);
        self::assertNull($solution->precision->height());
        self::assertNull($solution->residuals[0]->height);
    }

    public function test_too_little_is_refused_with_a_reason(): void
    {
        $one = array_slice(self::sights(self::CONTROL, new Position(1011.0, 2034.0, 10.2), 0.4), 0, 1);
        foreach ([[], $one, [$one[0], $one[0]]] as $sights) {
            try {
                Resection::solve($sights, 1.6, self::accuracy());
                self::fail('It was taken.');
            } catch (CannotSetUp $e) {
                self::assertStringContainsString('control point', $e->getMessage());
            }
        }
    }

    /** Seeded noise of the stated size: the place found lies within twice the stated deviations as often as it should. */
    public function test_stated_deviations_are_what_noise_brings_about(): void
    {
        mt_srand(99);
        $true = new Position(1011.25, 2034.5, 10.2);
        $within = 0;
        for ($i = 0; $i < 400; $i++) {
            $sights = array_map(
                static fn (ControlSight $s) => new ControlSight($s->name, $s->control, self::noisy($s)),
                self::sights(self::CONTROL, $true, 0.4),
            );
            $solution = Resection::solve($sights, 1.6, self::accuracy());
            $within += abs($solution->station->mark->northing - $true->northing) < 1.96 * (float) $solution->precision->northing() ? 1 : 0;
        }
        self::assertGreaterThan(0.92 * 400, $within);
        self::assertLessThan(0.98 * 400, $within);
    }

    /**
     * @param  array<string, array{float, float, float}>  $control
     * @return list<ControlSight>
     */
    private static function sights(array $control, Position $true, float $orientation): array
    {
        $sights = [];
        foreach ($control as $name => [$n, $e, $z]) {
            $mark = new Position($n, $e, $z);
            $sights[] = new ControlSight($name, $mark, self::reduce($true, $mark, $orientation, 2.0, 2.0));
        }

        return $sights;
    }

    private static function reduce(Position $true, Position $mark, float $orientation, float $really, float $entered): Sight
    {
        $flat = $true->distanceTo($mark);
        $rise = $mark->elevation + $really - $true->elevation - 1.6 - Sight::curvature($flat);

        return Sight::reduce(
            new RawReading(Angle::wrap($true->azimuthTo($mark) - $orientation), M_PI_2 - atan2($rise, $flat), hypot($flat, $rise)),
            Atmosphere::reference(), new Target($entered),
        );
    }

    private static function noisy(ControlSight $s): Sight
    {
        $normal = static fn (float $d): float => $d * sqrt(-2 * log(mt_rand(1, 1_000_000) / 1_000_000)) * cos(2 * M_PI * mt_rand(0, 999_999) / 1_000_000);
        $a = self::accuracy();

        return Sight::reduce(
            new RawReading(
                Angle::wrap($s->sight->circle + $normal($a->ofDirection($s->sight->distance))), $s->sight->zenith,
                $s->sight->slope + $normal($a->ofDistance($s->sight->distance)),
            ),
            Atmosphere::reference(), new Target(2.0),
        );
    }

    private static function accuracy(): Accuracy
    {
        return Accuracy::stated(2.0, 1.0, 1.5);
    }
}
