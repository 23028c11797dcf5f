<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setup;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Setup\CannotSetUp;
use Parlay\Core\Setup\ControlSight;
use Parlay\Core\Setup\KnownBacksight;
use PHPUnit\Framework\TestCase;

final class KnownBacksightTest extends TestCase
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
        self::assertStringContainsString('cannot be checked with one sight', $solution->cautions[0]);
        self::assertEqualsWithDelta(0.0, $solution->residuals[0]->distance, 1e-6);
    }

    public function test_a_wrong_distance_is_said(): void
    {
        $solution = $this->solve(new Position(100.0, 300.0, 10.0), 0.3, 100.03);
        self::assertEqualsWithDelta(0.03, $solution->residuals[0]->distance, 1e-6);
        self::assertStringContainsString('distance does not agree', implode(' ', $solution->cautions));
    }

    public function test_a_wrong_height_is_said(): void
    {
        $solution = $this->solve(new Position(100.0, 300.0, 10.1), 0.3, 100.0);
        self::assertEqualsWithDelta(-0.1, (float) $solution->residuals[0]->height, 0.001);
        self::assertStringContainsString('height difference does not agree', implode(' ', $solution->cautions));
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

    private function solve(Position $control, float $circle, float $slope): \Parlay\Core\Setup\SetupSolution
    {
        $sight = Sight::reduce(new RawReading($circle, M_PI_2, $slope), Atmosphere::reference(), new Target(1.6 + Sight::curvature(100)));

        return KnownBacksight::solve($this->mark, 1.6, new ControlSight('B', $control, $sight), Accuracy::stated(2, 1, 1.5));
    }
}
