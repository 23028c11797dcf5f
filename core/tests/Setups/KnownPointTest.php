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
use Parlay\Core\Setups\KnownPoint;
use Parlay\Core\Units\Angle;
use PHPUnit\Framework\TestCase;

final class KnownPointTest extends TestCase
{
    private Position $mark;

    protected function setUp(): void
    {
        $this->mark = new Position(100.0, 200.0, 10.0);
    }

    public function test_the_orientation_comes_from_the_backsight_and_is_not_checked(): void
    {
        $solution = $this->solve(new Position(100.0, 300.0, 10.0), 0.3, 100.0);
        self::assertEqualsWithDelta(M_PI_2 - 0.3, $solution->station->orientation, 1e-12);
        self::assertNull($solution->residuals[0]->direction);
        self::assertSame(CautionKind::OneBacksight, $solution->cautions[0]->kind);
        self::assertEqualsWithDelta(0.0, $solution->residuals[0]->distance, 1e-6);
    }

    public function test_a_wrong_distance_is_said(): void
    {
        $solution = $this->solve(new Position(100.0, 300.0, 10.0), 0.3, 100.03);
        self::assertEqualsWithDelta(0.03, $solution->residuals[0]->distance, 1e-6);
        self::assertContainsEquals(Caution::of(CautionKind::DistanceDisagrees, 'B'), $solution->cautions);
    }

    public function test_a_wrong_height_is_said(): void
    {
        $solution = $this->solve(new Position(100.0, 300.0, 10.1), 0.3, 100.0);
        self::assertEqualsWithDelta(-0.1, (float) $solution->residuals[0]->height, 0.001);
        self::assertContainsEquals(Caution::of(CautionKind::HeightDisagrees, 'B'), $solution->cautions);
    }

    public function test_the_circle_may_read_beyond_the_azimuth(): void
    {
        $solution = $this->solve(new Position(200.0, 200.0, 10.0), 6.0, 100.0);
        self::assertEqualsWithDelta(2 * M_PI - 6.0, $solution->station->orientation, 1e-12);
    }

    public function test_one_cannot_sight_the_point_one_stands_on(): void
    {
        $this->expectException(CannotSetUp::class);
        $this->solve($this->mark, 0.0, 1.0);
    }

    public function test_several_backsights_check_the_orientation(): void
    {
        $field = new Field(4);
        $back = [
            $field->controlSight('B', $field->mark(40, 120)), $field->controlSight('C', $field->mark(40, 120)),
            $field->controlSight('D', $field->mark(40, 120)),
        ];
        $good = (new KnownPoint($field->station, Field::INSTRUMENT_HEIGHT, $field->accuracy))->onBacksights($back);
        self::assertSame($field->station->northing, $good->station->mark->northing, 'a known point stays where it is');
        self::assertTrue($good->passes);
        self::assertNotNull($good->residuals[0]->direction);
        self::assertLessThan(4 * $good->precision->orientation(), abs(Angle::signed($good->station->orientation - $field->orientation)));
        $back[1] = $back[1]->with(
            control: $back[1]->control->along($field->station->azimuthTo($back[1]->control) + M_PI_2, 0.05, $back[1]->control->elevation),
        );
        $bad = (new KnownPoint($field->station, Field::INSTRUMENT_HEIGHT, $field->accuracy))->onBacksights($back);
        self::assertFalse($bad->passes);
        self::assertContainsEquals(Caution::by(CautionKind::BacksightsDiffer, (float) $bad->unitWeightDeviation), $bad->cautions);
    }

    /** One backsight has no other that it could differ from: what is off is its distance. */
    public function test_one_backsight_that_does_not_fit_differs_from_no_other(): void
    {
        $field = new Field(3, noisy: 0.0);
        $back = $field->controlSight('B', $field->mark(40, 120));
        $back = $back->with(control: $back->control->along($field->station->azimuthTo($back->control), 0.2, $back->control->elevation));
        $bad = (new KnownPoint($field->station, Field::INSTRUMENT_HEIGHT, $field->accuracy))->onBacksights([$back]);
        self::assertFalse($bad->passes);
        self::assertNotContains(CautionKind::BacksightsDiffer, array_map(static fn (Caution $c): CautionKind => $c->kind, $bad->cautions));
    }

    public function test_a_direction_that_was_given_is_said_to_be_unchecked(): void
    {
        $field = new Field(5, noisy: 0.0);
        $solution = (new KnownPoint($field->station, Field::INSTRUMENT_HEIGHT, $field->accuracy))->onDirection(
            $field->sight($field->station->along(2.0, 80.0, 40.0)), 2.0,
        );
        self::assertEqualsWithDelta($field->orientation, $solution->station->orientation, 1e-9);
        self::assertSame(CautionKind::DirectionGiven, $solution->cautions[0]->kind);
        self::assertSame(0, $solution->redundancy);
        self::assertNull($solution->passes);
    }

    public function test_a_station_without_elevation_takes_it_from_the_backsight(): void
    {
        $field = new Field(6, noisy: 0.0);
        $solution = (new KnownPoint(
            $field->station->at(null), Field::INSTRUMENT_HEIGHT, $field->accuracy,
        ))->onBacksights([$field->controlSight('B', $field->mark())]);
        self::assertEqualsWithDelta(40.0, $solution->station->mark->elevation, 1e-5);
    }

    private function solve(Position $control, float $circle, float $slope): \Parlay\Core\Setups\SetupSolution
    {
        $sight = Sight::reduce(new RawReading($circle, M_PI_2, $slope), Atmosphere::reference(), new Target(1.6 + Sight::curvature(100)));

        return (new KnownPoint($this->mark, 1.6, Accuracy::stated(2, 1, 1.5)))->onBacksights([new ControlSight('B', $control, $sight)]);
    }
}
