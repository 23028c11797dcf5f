<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setups;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\MarksApart;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Two marks by the distance between them; the triangle is Pythagoras' 3, 4, 5, and the deviations are worked by hand. */
final class MarksApartTest extends TestCase
{
    private const STATED = [0.00001, 0.002];

    /** @param  float  $circle  radians */
    private static function sight(string $name, Position $control, float $circle, float $distance, bool $plan = true): ControlSight
    {
        $raw = new RawReading($circle, M_PI_2, $distance);
        // Without air and curvature a level sight is as long as its slope.
        $sight = Sight::reduce($raw, (new Atmosphere(1013.25, 12.0, refraction: 2.0))->given(0.0), new Target(0.0, 0.0));

        return new ControlSight($name, $control, $sight, plan: $plan);
    }

    private static function stated(): Accuracy
    {
        return new Accuracy(self::STATED[0], self::STATED[1], 0.0, 0.0, 0.0);
    }

    /** @return \Generator<string, array{float, float}> circle readings of both sights, a right angle apart */
    public static function circles(): \Generator
    {
        yield 'in the middle of the circle' => [1.0, 1.0 + M_PI_2];
        yield 'over its zero' => [2 * M_PI - 0.5, M_PI_2 - 0.5];
        yield 'the other way round' => [M_PI_2, 0.0];
    }

    #[DataProvider('circles')]
    public function test_the_distance_is_that_of_the_triangle_with_its_deviation(float $first, float $second): void
    {
        $apart = MarksApart::of([
            self::sight('A', new Position(0.0, 0.0), $first, 30.0), self::sight('B', new Position(0.0, 49.998), $second, 40.0),
        ], self::stated());
        self::assertNotNull($apart);
        self::assertEqualsWithDelta([50.0, 49.998], [$apart->measured, $apart->listed], 1e-9);
        // 3/5 and 4/5 of both distances' 2 mm, and 24 m across for each of both directions' hundred-thousandths.
        self::assertEqualsWithDelta(sqrt((0.6 * 0.002) ** 2 + (0.8 * 0.002) ** 2 + 2 * (24.0 * 0.00001) ** 2), $apart->deviation, 1e-9);
    }

    public function test_only_two_whole_sights_prove_each_other_by_this_alone(): void
    {
        $a = self::sight('A', new Position(0.0, 0.0), 0.0, 30.0);
        $b = self::sight('B', new Position(0.0, 50.0), 1.0, 40.0);
        $angleOnly = self::sight('C', new Position(9.0, 9.0), 2.0, 0.0);
        $unused = self::sight('D', new Position(9.0, 9.0), 2.0, 10.0, plan: false);
        self::assertNull(MarksApart::of([], self::stated()));
        self::assertNull(MarksApart::of([$a], self::stated()));
        self::assertNull(MarksApart::of([$a, $angleOnly], self::stated()));
        self::assertNull(MarksApart::of([$a, $b, self::sight('E', new Position(1.0, 1.0), 3.0, 20.0)], self::stated()));
        self::assertSame('B', MarksApart::of([$a, $angleOnly, $unused, $b], self::stated())?->to);
        // Both on one mark have nothing between them.
        self::assertNull(MarksApart::of([$a, self::sight('F', new Position(0.0, 50.0), 0.0, 30.0)], self::stated()));
    }
}
