<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setups;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Setups\CheckShot;
use Parlay\Core\Setups\MeasuredControl;
use Parlay\Core\Setups\Precision;
use Parlay\Core\Setups\Resection;
use Parlay\Core\Setups\SetUpAgain;
use PHPUnit\Framework\TestCase;

/** Shots on known points, and new control. */
final class CheckShotTest extends TestCase
{
    /** A clean setup, checked on a point of its own: 99 of 100 hold, and 95 of 100 differ in plan by less than the ellipse says. */
    public function test_what_is_expected_of_a_check_is_what_noise_brings_about(): void
    {
        $holds = $within = 0;
        foreach (range(1, 500) as $seed) {
            $field = new Field($seed, planDeviation: 0.001);
            $setup = Resection::solve($field->sights(4), Field::INSTRUMENT_HEIGHT, $field->accuracy);
            $mark = $field->mark();
            $check = CheckShot::judge(
                $setup->station, $setup->precision, $field->sight($mark), $field->listed($mark), $field->accuracy, 0.001,
            );
            $holds += $check->holds ? 1 : 0;
            $within += $check->plan <= $check->expectedPlan ? 1 : 0;
        }
        self::assertGreaterThan(0.97 * 500, $holds);
        self::assertGreaterThan(0.93 * 500, $within);
        self::assertLessThan(500, $within);
    }

    public function test_a_pushed_tripod_is_noticed(): void
    {
        $noticed = 0;
        foreach (range(1, 100) as $seed) {
            $field = new Field($seed);
            $setup = Resection::solve($field->sights(4), Field::INSTRUMENT_HEIGHT, $field->accuracy);
            $field->station = $field->station->along(1.0, 0.01, 40.0);
            $mark = $field->mark();
            $noticed += CheckShot::judge($setup->station, $setup->precision, $field->sight($mark), $mark, $field->accuracy)->holds ? 0 : 1;
        }
        self::assertGreaterThan(90, $noticed, 'one centimetre in a hundred setups');
    }

    public function test_a_point_without_elevation_is_checked_in_plan_alone(): void
    {
        $field = new Field(3, noisy: 0.0);
        $setup = Resection::solve($field->sights(3), Field::INSTRUMENT_HEIGHT, $field->accuracy);
        $mark = $field->mark();
        $check = CheckShot::judge($setup->station, $setup->precision, $field->sight($mark), $mark->at(null), $field->accuracy);
        self::assertNull($check->height);
        self::assertTrue($check->holds);
    }

    /** New control from two setups: the deviation stated for it holds what it is off by. */
    public function test_new_control_is_as_uncertain_as_it_says(): void
    {
        $within = $twice = 0;
        foreach (range(1, 300) as $seed) {
            $field = new Field($seed);
            $mark = $field->mark();
            $shots = [];
            foreach ([1, 2] as $setup) {
                $field->station = new Position(5000.0 + 7 * $setup, 2000.0 - 5 * $setup, 40.0);
                $found = Resection::solve($field->sights(4), Field::INSTRUMENT_HEIGHT, $field->accuracy);
                $shots[] = [$found->station, $found->precision, $field->sight($mark), $field->accuracy];
            }
            $one = MeasuredControl::of([$shots[0]]);
            $both = MeasuredControl::of($shots);
            $within += abs($both->place->northing - $mark->northing) < 1.96 * $both->planDeviation ? 1 : 0;
            $twice += $both->planDeviation < $one->planDeviation ? 1 : 0;
            self::assertNotNull($both->heightDeviation);
        }
        self::assertGreaterThan(0.92 * 300, $within);
        self::assertLessThan(300, $within);
        self::assertSame(300, $twice, 'a second shot makes it more certain');
    }

    /** Two setups weigh by their variances: the mean of independent values, as any handbook of adjustment has it. */
    public function test_new_control_is_the_mean_of_its_setups_weighed_by_their_variances(): void
    {
        $field = new Field(11);
        $mark = $field->mark();
        $shots = [];
        foreach ([2, 6] as $i => $count) {
            $field->station = new Position(5000.0 + 9 * $i, 2000.0 - 8 * $i, 40.0);
            $found = Resection::solve($field->sights($count), Field::INSTRUMENT_HEIGHT, $field->accuracy);
            $shots[] = [$found->station, $found->precision, $field->sight($mark), $field->accuracy];
        }
        [$first, $second] = array_map(static fn (array $s) => MeasuredControl::of([$s]), $shots);
        $both = MeasuredControl::of($shots);
        self::assertNotNull($first->heightDeviation);
        self::assertNotNull($second->heightDeviation);
        [$w1, $w2] = [$first->heightDeviation ** -2, $second->heightDeviation ** -2];
        self::assertGreaterThan(1.05 * $w1, $w2, 'six sights are worth more than two');
        self::assertEqualsWithDelta(
            ($w1 * $first->place->elevation + $w2 * $second->place->elevation) / ($w1 + $w2), $both->place->elevation, 1e-9,
        );
        self::assertEqualsWithDelta(($w1 + $w2) ** -0.5, $both->heightDeviation, 1e-9);
        self::assertLessThan(min($first->planDeviation, $second->planDeviation), $both->planDeviation);
        // Two setups worth the same: the root of two less, in plan and in height. They are told apart by their place.
        [$station, $precision, $sight, $accuracy] = $shots[0];
        $beside = new Position($station->mark->northing + 0.001, $station->mark->easting, $station->mark->elevation);
        $twin = new Station($beside, $station->orientation, $station->instrumentHeight);
        $two = MeasuredControl::of([$shots[0], [$twin, $precision, $sight, $accuracy]]);
        self::assertEqualsWithDelta($first->planDeviation / M_SQRT2, $two->planDeviation, 1e-8);
        self::assertEqualsWithDelta($first->heightDeviation / M_SQRT2, $two->heightDeviation, 1e-8);
        self::assertEqualsWithDelta(
            max($shots[0][0]->locate($shots[0][2])->distanceTo($both->place), $shots[1][0]->locate($shots[1][2])->distanceTo($both->place)),
            $both->largest, 1e-12,
        );
        // A hundred shots of one setup share its error: no number of them averages it away.
        $many = MeasuredControl::of(array_fill(0, 100, $shots[0]));
        [$vn, $ve] = $shots[0][1]->variances($shots[0][0]->mark, $many->place);
        self::assertGreaterThan(sqrt(($vn + $ve) / 2), $many->planDeviation);
        self::assertLessThan($first->planDeviation, $many->planDeviation);
        self::assertSame(100, $many->shots);
    }

    /** Steep, its height has its part of the distance's error and its plan one of the zenith's: 95 of 100 lie within twice what is stated, at every slope. */
    public function test_steep_new_control_is_as_uncertain_as_it_says(): void
    {
        foreach ([0.0, 45.0, 70.0] as $slope) {
            $within = $high = 0;
            foreach (range(1, 400) as $seed) {
                $field = new Field($seed, accuracy: new Accuracy(9.6963e-6, 0.003, 2.0));
                $mark = $field->station->along(0.7, 30.0 * cos(deg2rad($slope)), $field->station->elevation + 30.0 * sin(deg2rad($slope)));
                $certain = new Precision([[0.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]], 0.0);
                $station = new Station($field->station, $field->orientation, Field::INSTRUMENT_HEIGHT);
                $new = MeasuredControl::of([[$station, $certain, $field->sight($mark), $field->accuracy]]);
                $within += hypot($new->place->northing - $mark->northing, $new->place->easting - $mark->easting) < 2.6 * $new->planDeviation ? 1 : 0;
                $high += abs($new->place->elevation - $mark->elevation) < 1.96 * $new->heightDeviation ? 1 : 0;
            }
            self::assertEqualsWithDelta(0.95, $high / 400, 0.03, "height at $slope degrees");
            self::assertGreaterThan(0.93, $within / 400, "plan at $slope degrees");
        }
    }

    /** Turned again, an instrument stands where it stood: both setups have the error of that place together, and what they say holds. */
    public function test_setups_at_one_place_share_what_is_uncertain_about_it(): void
    {
        $within = $high = 0;
        foreach (range(1, 400) as $seed) {
            $field = new Field($seed);
            $mark = $field->mark(80.0, 120.0);
            $found = Resection::solve($field->sights(3), Field::INSTRUMENT_HEIGHT, $field->accuracy);
            $again = (new SetUpAgain($found->station, $found->precision, $field->accuracy))->orientation($field->sights(2));
            $both = MeasuredControl::of([
                [$found->station, $found->precision, $field->sight($mark), $field->accuracy],
                [$again->station, $again->precision, $field->sight($mark), $field->accuracy],
            ]);
            $within += abs($both->place->northing - $mark->northing) < 1.96 * $both->planDeviation ? 1 : 0;
            $high += abs($both->place->elevation - $mark->elevation) < 1.96 * $both->heightDeviation ? 1 : 0;
        }
        self::assertGreaterThan(0.925, $within / 400);
        self::assertEqualsWithDelta(0.95, $high / 400, 0.03);
    }

    public function test_new_control_from_a_station_without_elevation_has_none(): void
    {
        $field = new Field(4);
        $found = Resection::solve($field->sights(3), Field::INSTRUMENT_HEIGHT, $field->accuracy);
        $flat = new Station($found->station->mark->at(null), $found->station->orientation, 1.6);
        $control = MeasuredControl::of([[$flat, $found->precision, $field->sight($field->mark()), $field->accuracy]]);
        self::assertNull($control->place->elevation);
        self::assertNull($control->heightDeviation);
        self::assertSame(1, $control->shots);
    }
}
