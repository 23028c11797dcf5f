<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setups;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Setups\CannotSetUp;
use Parlay\Core\Setups\CautionKind;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\MeasuredBaseline;
use Parlay\Core\Setups\Resection;
use Parlay\Core\Setups\SetUpAgain;
use Parlay\Core\Units\Angle;
use PHPUnit\Framework\TestCase;

/** Height only, orientation only, and a measured baseline. */
final class SetUpAgainTest extends TestCase
{
    public function test_benchmarks_give_the_height_and_leave_the_plan_alone(): void
    {
        $field = new Field(1, noisy: 0.0);
        $held = Resection::solve(
            array_map(static fn (ControlSight $s) => $s->with(height: false), $field->sights(4)), Field::INSTRUMENT_HEIGHT,
            $field->accuracy,
        );
        self::assertNull($held->station->mark->elevation);
        $found = (new SetUpAgain(
            $held->station, $held->precision, $field->accuracy,
        ))->height([$field->controlSight('BM 1', $field->mark()), $field->controlSight('BM 2', $field->mark())]);
        self::assertEqualsWithDelta(40.0, $found->station->mark->elevation, 1e-5);
        self::assertEqualsWithDelta($held->station->orientation, $found->station->orientation, 1e-12);
        self::assertSame($held->precision->plan, $found->precision->plan);
        self::assertSame(1, $found->redundancy);
        self::assertSame([], $found->cautions);
    }

    public function test_one_benchmark_checks_nothing_and_two_that_differ_are_said(): void
    {
        $field = new Field(2);
        $again = new SetUpAgain(
            new Station($field->station, $field->orientation, 1.6),
            Resection::solve($field->sights(3), 1.6, $field->accuracy)->precision, $field->accuracy,
        );
        $one = $field->controlSight('BM 1', $field->mark());
        self::assertSame(CautionKind::ElevationFromOneBenchmark, $again->height([$one])->cautions[0]->kind);
        self::assertNull($again->height([$one])->passes);
        $two = $field->controlSight('BM 2', $field->mark());
        $two = $two->with(control: $two->control->at($two->control->elevation + 0.05));
        self::assertSame(CautionKind::BenchmarksDiffer, $again->height([$one, $two])->cautions[0]->kind);
        $this->expectException(CannotSetUp::class);
        $again->height([$one->with(control: $one->control->at(null))]);
    }

    public function test_a_height_from_an_instrument_that_was_moved_is_not_taken_quietly(): void
    {
        $field = new Field(12);
        $held = Resection::solve($field->sights(4), 1.6, $field->accuracy);
        $again = new SetUpAgain($held->station, $held->precision, $field->accuracy);
        $marks = [$field->mark(30, 80), $field->mark(30, 80)];
        $sight = static fn (): array => array_map(static fn (Position $m, int $i) => $field->controlSight("BM $i", $m), $marks, [1, 2]);
        self::assertSame([], $again->height($sight())->cautions);
        $field->station = $field->station->along(2.0, 4.0, 40.0);
        $moved = $again->height($sight());
        self::assertFalse($moved->passes);
        self::assertSame([CautionKind::MarksStray, ['BM 1', 'BM 2']], [$moved->cautions[0]->kind, $moved->cautions[0]->names]);
        // One benchmark whose place is only scaled from a map is no proof of that.
        $field->station = $field->station->along(2.0 + M_PI, 4.0, 40.0);
        $rough = $sight();
        $rough[1] = $rough[1]->with(control: $rough[1]->control->along(1.0, 5.0, $rough[1]->control->elevation));
        $kept = $again->height($rough);
        self::assertTrue($kept->passes);
        self::assertSame([CautionKind::MarksStray, ['BM 2']], [$kept->cautions[0]->kind, $kept->cautions[0]->names]);
    }

    public function test_after_a_turn_of_the_circle_one_sight_gives_the_orientation_back(): void
    {
        $field = new Field(3);
        $held = Resection::solve($field->sights(4), 1.6, $field->accuracy);
        $again = new SetUpAgain($held->station, $held->precision, $field->accuracy);
        $field->orientation += 0.4;
        $found = $again->orientation([$field->controlSight('B', $field->mark(60, 100))]);
        self::assertSame($held->station->mark->northing, $found->station->mark->northing);
        self::assertLessThan(4 * $found->precision->orientation(), abs(Angle::signed($found->station->orientation - $field->orientation)));
        self::assertNotFalse($found->passes);
        self::assertSame(CautionKind::OneSightOrients, $found->cautions[0]->kind);
    }

    public function test_an_instrument_that_was_pushed_aside_is_told_apart_from_a_turned_one(): void
    {
        $field = new Field(4);
        $held = Resection::solve($field->sights(4), 1.6, $field->accuracy);
        $field->station = $field->station->along(1.0, 0.03, 40.0);
        $found = (new SetUpAgain(
            $held->station, $held->precision, $field->accuracy,
        ))->orientation(array_map(fn (string $n) => $field->controlSight($n, $field->mark(30, 100)), ['B', 'C', 'D']));
        self::assertFalse($found->passes);
        self::assertSame(CautionKind::InstrumentMoved, $found->cautions[0]->kind);
        self::assertSame($found->unitWeightDeviation, $found->cautions[0]->value);
    }

    public function test_a_baseline_gets_the_direction_it_should_have(): void
    {
        $field = new Field(5, noisy: 0.0);
        [$a, $b] = [$field->mark(), $field->mark()];
        foreach ([0.0, 1e-9, M_PI, 2 * M_PI - 1e-9] as $wanted) {
            $base = MeasuredBaseline::solve(
                new Position(100.0, 100.0, 5.0), 1.6, $field->sight($a), $field->sight($b), $wanted, $field->accuracy,
                $a->distanceTo($b),
            );
            self::assertEqualsWithDelta(0.0, Angle::signed($base->from->azimuthTo($base->to) - $wanted), 1e-9);
            self::assertEqualsWithDelta($a->distanceTo($b), $base->length, 1e-5);
            self::assertTrue($base->solution->passes);
            self::assertSame(1, $base->solution->redundancy);
            self::assertEqualsWithDelta([100.0, 100.0], [$base->solution->station->mark->northing, $base->solution->station->mark->easting], 1e-12);
            self::assertSame([0.0, 0.0], array_map(floatval(...), array_slice($base->solution->precision->plan[0], 0, 2)), 'an assumed place is without doubt');
        }
        $wrong = MeasuredBaseline::solve(
            new Position(100.0, 100.0), 1.6, $field->sight($a), $field->sight($b), 1.0, $field->accuracy, $a->distanceTo($b) + 0.05,
        );
        self::assertFalse($wrong->solution->passes);
        self::assertSame(CautionKind::BaselineDiffers, $wrong->solution->cautions[1]->kind);
        self::assertEqualsWithDelta(-0.05, $wrong->solution->cautions[1]->value, 1e-4, 'shorter than designed');
        $unknown = MeasuredBaseline::solve(new Position(100.0, 100.0), 1.6, $field->sight($a), $field->sight($b), 1.0, $field->accuracy);
        self::assertNull($unknown->solution->passes);
        self::assertSame(0, $unknown->solution->redundancy);
        $this->expectException(CannotSetUp::class);
        MeasuredBaseline::solve(new Position(0.0, 0.0), 1.6, $field->sight($a), $field->sight($a), 1.0, $field->accuracy);
    }
}
