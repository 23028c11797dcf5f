<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Instrument;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\ImplausibleEntry;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Rounds;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Instrument\Target;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Every bound of what can be typed, from both sides, and rounds of steep and single readings worked by hand. */
final class BoundsTest extends TestCase
{
    /**
     * @return iterable<string, array{callable(float): mixed, list<float>, list<float>}> what makes it, the last that is taken, the
     *     first that is not
     */
    public static function bounds(): iterable
    {
        yield 'pressure' => [static fn (float $x) => new Atmosphere($x), [500.0, 1100.0], [499.9, 1100.1]];
        yield 'temperature' => [static fn (float $x) => new Atmosphere(1000.0, $x), [-40.0, 60.0], [-40.1, 60.1]];
        yield 'humidity' => [static fn (float $x) => new Atmosphere(1000.0, 20.0, $x), [0.0, 1.0], [-0.01, 1.01]];
        yield 'refraction' => [static fn (float $x) => new Atmosphere(1000.0, 20.0, 0.5, $x), [-4.0, 4.0], [-4.01, 4.01]];
        yield 'a typed correction' => [static fn (float $x) => (new Atmosphere)->given($x), [-1000.0, 1000.0], [-1000.1, 1000.1]];
        yield 'target height' => [static fn (float $x) => new Target($x), [0.0, 6.0], [-0.01, 6.01]];
        yield 'prism constant' => [static fn (float $x) => new Target(1.5, $x), [-0.1, 0.1], [-0.101, 0.101]];
        yield 'instrument height' => [static fn (float $x) => new Station(new Position(0, 0), 0.0, $x), [0.0, 6.0], [-0.01, 6.01]];
        yield 'deviation of directions' => [static fn (float $x) => new Accuracy($x, 0.001, 1.0), [1e-9, 0.00999], [0.0, 0.01]];
        yield 'deviation of distances' => [static fn (float $x) => new Accuracy(1e-5, $x, 1.0), [1e-9, 0.999], [0.0, 1.0]];
        yield 'ppm' => [static fn (float $x) => new Accuracy(1e-5, 0.001, $x), [0.0, 999.0], [-0.1, 1000.0]];
        yield 'centring' => [static fn (float $x) => new Accuracy(1e-5, 0.001, 1.0, $x), [0.0, 99.0], [-0.1, 100.0]];
        yield 'deviation of heights' => [static fn (float $x) => new Accuracy(1e-5, 0.001, 1.0, 0.001, $x), [0.0, 99.0], [-0.1, 100.0]];
        yield 'deviation of zenith angles' => [
            static fn (float $x) => new Accuracy(1e-5, 0.001, 1.0, 0.001, 0.001, $x), [1e-9, 0.00999], [0.0, 0.01],
        ];
    }

    /**
     * @param  callable(float): mixed  $make
     * @param  list<float>  $taken
     * @param  list<float>  $refused
     */
    #[DataProvider('bounds')]
    public function test_the_last_figure_is_taken_and_the_next_is_refused(callable $make, array $taken, array $refused): void
    {
        foreach ($taken as $x) {
            self::assertIsObject($make($x));
        }
        foreach ([...$refused, NAN] as $x) {
            try {
                $make($x);
                self::fail("$x was taken.");
            } catch (ImplausibleEntry $e) {
                self::assertMatchesRegularExpression('~\d~', $e->getMessage(), 'it says what can be');
            }
        }
    }

    /** Deviations add as squares: 2″ and 1.5 mm at 50 m; 1 mm, 1.5 ppm of 400 m and 1.5 mm; 1 mm and 2″ of 400 m. */
    public function test_what_is_stated_adds_up_at_a_distance(): void
    {
        $a = Accuracy::stated(2.0, 1.0, 1.5);
        $seconds = deg2rad(1 / 3600);
        self::assertEqualsWithDelta(sqrt((2 * $seconds) ** 2 + (0.0015 / 50) ** 2), $a->ofDirection(50.0), 1e-15);
        self::assertEqualsWithDelta(sqrt(0.001 ** 2 + 0.0006 ** 2 + 0.0015 ** 2), $a->ofDistance(400.0), 1e-15);
        self::assertEqualsWithDelta(sqrt(0.001 ** 2 + (400 * 2 * $seconds) ** 2), $a->ofHeight(400.0), 1e-15);
        self::assertEqualsWithDelta($a->ofDirection(0.1), $a->ofDirection(0.0), 1e-15, 'as near as a sight can be');
        $one = $a->ofAngles(M_SQRT2);
        self::assertEqualsWithDelta(
            [2 * M_SQRT2 * $seconds, 2 * M_SQRT2 * $seconds, 0.001, 1.5],
            [$one->angle, $one->zenith(), $one->distance, $one->distancePpm], 1e-15,
        );
        $kept = Accuracy::of(['zenith' => 3e-5] + $a->figures());
        self::assertSame(
            [$a->angle, 3e-5, $a->distance, $a->distancePpm, $a->centring],
            [$kept->angle, $kept->zenith(), $kept->distance, $kept->distancePpm, $kept->centring],
        );
        self::assertSame($a->angle, Accuracy::of(array_diff_key($a->figures(), ['zenith' => 1]))->zenith());
    }

    /** A collimation c turns a direction by c / sin z: 30″ at 30° from the zenith by 60″, in the second face the other way. */
    public function test_a_steep_single_reading_is_corrected_by_the_level_pairs(): void
    {
        [$c, $i, $steep] = [deg2rad(30 / 3600), deg2rad(-20 / 3600), M_PI / 6];
        $first = static fn (float $true, float $zenith): RawReading => new RawReading($true + $c / sin($zenith), $zenith + $i, 40.0);
        $second = static fn (float $true, float $zenith): RawReading => new RawReading(
            $true + M_PI - $c / sin($zenith), 2 * M_PI - $zenith + $i, 40.0,
        );
        foreach ([[$first, $second, $first], [$first, $second, $second]] as $order) {
            $r = Rounds::of(array_map(static fn (callable $face) => $face(1.0, $steep), $order));
            self::assertEqualsWithDelta(
                [1.0, $steep, 40.0, $c, $i], [$r->mean->circle, $r->mean->zenith, $r->mean->slope, $r->collimation, $r->index], 1e-12,
            );
            self::assertEqualsWithDelta([1 / sqrt(1.5), 0.0], [$r->angleFactor, $r->spread], 1e-9);
            self::assertSame([1, 3], [$r->pairs, $r->readings]);
        }
        // Two pairs that disagree by 4″ in direction and in zenith angle: the mean of both, and half of it as spread.
        $by = deg2rad(4 / 3600);
        $apart = Rounds::of([$first(1.0, 1.5), $second(1.0, 1.5), $first(1.0 + $by, 1.5 + $by), $second(1.0 + $by, 1.5 + $by)]);
        self::assertEqualsWithDelta(
            [1.0 + $by / 2, 1.5 + $by / 2, $by / 2, $c, $i],
            [$apart->mean->circle, $apart->mean->zenith, $apart->spread, $apart->collimation, $apart->index], 1e-12,
        );
        // A pair weighs twice a single one: two thirds of the way.
        $weighed = Rounds::of(
            [new RawReading(1.0, 1.5, 40.0), new RawReading(1.0 + M_PI, 2 * M_PI - 1.5, 41.0), new RawReading(1.0 + 3 * $by, 1.5, 0.0)],
        );
        self::assertEqualsWithDelta(
            [1.0 + $by, 1.5, 40.5, 2 * $by], [$weighed->mean->circle, $weighed->mean->zenith, $weighed->mean->slope, $weighed->spread],
            1e-12,
        );
    }

    public function test_a_sight_is_turned_lengthened_and_lowered_by_what_is_said(): void
    {
        $s = Sight::reduce(new RawReading(6.0, 1.2, 80.0), new Atmosphere, new Target(1.5));
        self::assertEqualsWithDelta(6.0 + 1.0 - 2 * M_PI, $s->turned(1.0)->circle, 1e-12);
        $longer = $s->longer(0.5);
        self::assertEqualsWithDelta(
            [$s->slope + 0.5, $s->distance * (1 + 0.5 / $s->slope), $s->rise * (1 + 0.5 / $s->slope)],
            [$longer->slope, $longer->distance, $longer->rise], 1e-12,
        );
        // As if the circle had shown it: a reading with the angle in it, reduced.
        $angle = 1e-4;
        $again = Sight::reduce(new RawReading(6.0, 1.2 + $angle, 80.0), new Atmosphere, new Target(1.5));
        $lowered = $s->lowered($angle);
        self::assertEqualsWithDelta(
            [$again->zenith, $again->slope, $again->distance, $again->rise],
            [$lowered->zenith, $lowered->slope, $lowered->distance, $lowered->rise], 1e-6,
        );
        $angles = Sight::reduce(new RawReading(6.0, 1.2, 0.0), new Atmosphere, new Target(1.5));
        self::assertSame([0.0, 0.0, 0.0], [$angles->longer(0.5)->slope, $angles->longer(0.5)->distance, $angles->longer(0.5)->rise]);
    }
}
