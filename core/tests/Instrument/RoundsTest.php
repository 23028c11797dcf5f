<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Instrument;

use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\ImplausibleEntry;
use Parlay\Core\Instrument\Notch;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Rounds;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Target;
use PHPUnit\Framework\TestCase;

/** Two faces, rounds, slanted heights, and corrections that were worked out elsewhere. */
final class RoundsTest extends TestCase
{
    public function test_two_faces_take_collimation_and_index_out(): void
    {
        foreach ([0.0, 1e-7, 1.234, M_PI, 2 * M_PI - 1e-7] as $true) {
            [$c, $i] = [5e-5, -3e-5];
            // On a target above or below the horizon the collimation turns the direction more.
            $turn = $c / sin(1.5);
            $first = new RawReading(fmod($true + $turn + 2 * M_PI, 2 * M_PI), 1.5 + $i, 50.0);
            $second = new RawReading(fmod($true + M_PI - $turn, 2 * M_PI), 2 * M_PI - 1.5 + $i, 50.002);
            $r = Rounds::of([$first, $second]);
            self::assertEqualsWithDelta(0.0, sin(($r->mean->circle - $true) / 2), 1e-9, "near $true");
            self::assertEqualsWithDelta([1.5, 50.001, $c, $i], [$r->mean->zenith, $r->mean->slope, $r->collimation, $r->index], 1e-9);
            self::assertSame([1, 2], [$r->pairs, $r->readings]);
            self::assertEqualsWithDelta(1.0, $r->angleFactor, 1e-12);
        }
    }

    public function test_one_face_is_less_certain_and_rounds_more(): void
    {
        $one = new RawReading(1.0, 1.5, 50.0);
        self::assertEqualsWithDelta(M_SQRT2, Rounds::of([$one])->angleFactor, 1e-12);
        self::assertNull(Rounds::of([$one])->collimation);
        $other = new RawReading(1.0 + M_PI, 2 * M_PI - 1.5, 0.0);
        self::assertEqualsWithDelta(0.5, Rounds::of([$one, $other, $one, $other, $one, $other, $one, $other])->angleFactor, 1e-12);
        self::assertEqualsWithDelta(1 / sqrt(1.5), Rounds::of([$one, $other, $one])->angleFactor, 1e-12);
        self::assertSame(50.0, Rounds::of([$one, $other])->mean->slope, 'what was not measured is not averaged');
        self::assertEqualsWithDelta(1.0, Rounds::of([$other])->mean->circle, 1e-12, 'the second face alone is turned to the first');
        self::assertSame(0.0, Rounds::of([new RawReading(1.0, 1.5, 0.0)])->mean->slope);
        $apart = Rounds::of([new RawReading(2 * M_PI - 1e-5, 1.5, 5.0), new RawReading(1e-5, 1.5, 5.0)]);
        self::assertEqualsWithDelta(0.0, sin($apart->mean->circle), 1e-9);
        self::assertEqualsWithDelta(1e-5, $apart->spread, 1e-9);
    }

    public function test_one_face_is_corrected_by_the_instruments_own_errors(): void
    {
        [$first, $second] = [new RawReading(1.0 + 5e-5, M_PI_2 - 3e-5, 50.0), new RawReading(1.0 + M_PI - 5e-5, 1.5 * M_PI - 3e-5, 50.0)];
        $both = Rounds::of([$first, $second]);
        $one = $first->withoutFaceErrors((float) $both->collimation, (float) $both->index);
        self::assertEqualsWithDelta([$both->mean->circle, $both->mean->zenith], [$one->circle, $one->zenith], 1e-9);
        self::assertSame($first, $first->withoutFaceErrors(0.0, 0.0));
    }

    /** h = √(s² − r²) + d: 1.500 m slanted to a notch 0.120 m out and 0.020 m under the axis. */
    public function test_a_height_slanted_and_straight_lead_back_to_each_other(): void
    {
        foreach ([1.2, 1.5, 1.8] as $straight) {
            $notch = new Notch(0.118, 0.024);
            self::assertEqualsWithDelta($straight, $notch->straight($notch->slanted($straight)), 1e-12);
        }
    }

    public function test_a_slanted_height_is_reduced(): void
    {
        self::assertEqualsWithDelta(sqrt(2.25 - 0.0144) + 0.02, (new Notch(0.12, 0.02))->straight(1.5), 1e-12);
        self::assertEqualsWithDelta(1.5152, (new Notch(0.12, 0.02))->straight(1.5), 5e-5);
        $this->expectException(ImplausibleEntry::class);
        (new Notch(0.12, 0.02))->straight(0.1);
    }

    public function test_a_typed_correction_and_a_scale_are_applied_once(): void
    {
        $raw = new RawReading(0.0, M_PI_2, 100.0 * (1 + 20e-6) + 0.03, 20.0, 0.03);
        $sight = Sight::reduce($raw, (new Atmosphere(900.0, 30.0))->given(50.0), new Target(1.5, 0.01), 0.9996);
        self::assertEqualsWithDelta(100.0 * (1 + 50e-6) + 0.01, $sight->slope, 1e-9);
        self::assertEqualsWithDelta(0.9996 * $sight->slope, $sight->distance, 1e-6);
        self::assertSame(50.0, $sight->ppm);
        $this->expectException(ImplausibleEntry::class);
        (new Atmosphere)->given(5000.0);
    }

    /** Another carrier and another reference: only the difference of refractivities counts. */
    public function test_the_correction_is_that_of_the_instruments_own_carrier(): void
    {
        $air = new Atmosphere(950.0, 25.0, 0.5);
        $reference = new Atmosphere(1013.25, 15.0, 0.0);
        self::assertEqualsWithDelta($reference->refractivity(0.85) - $air->refractivity(0.85), $air->ppm($reference, 0.85), 1e-12);
        self::assertEqualsWithDelta(0.0, $reference->ppm($reference, 0.85), 1e-12);
        self::assertGreaterThan(2.0, abs($air->ppm($reference, 0.85) - $air->ppm()), 'another reference is another correction');
        $this->expectException(ImplausibleEntry::class);
        new Atmosphere(1000.0, 20.0, 55.0);
    }

    /** What the pairs say of the instrument is taken out of what was read in one face alone, whichever that was. */
    public function test_a_reading_of_one_face_among_pairs_loses_the_errors_that_the_pairs_show(): void
    {
        [$c, $i, $direction, $zenith] = [2e-4, -1e-4, 1.0, 1.2];
        $turn = $c / sin($zenith);
        $first = new RawReading($direction + $turn, $zenith + $i, 50.0);
        $second = new RawReading($direction + M_PI - $turn, 2 * M_PI - $zenith + $i, 50.0);
        foreach ([[$first, $second, $first], [$first, $second, $second]] as $readings) {
            $mean = Rounds::of($readings)->mean;
            self::assertEqualsWithDelta([$direction, $zenith], [$mean->circle, $mean->zenith], 1e-9);
        }
        $alone = Rounds::of([$second])->mean;
        self::assertEqualsWithDelta([$direction - $turn, $zenith - $i], [$alone->circle, $alone->zenith], 1e-12, 'where nothing is known of them they stay');
    }

    /** Two rounds to one mark, the pole at 1.5 m and then at 1.8 m: the mean is that of the mark with the first's target on it. */
    public function test_rounds_with_the_pole_at_two_heights_are_one_sight_to_the_first_target(): void
    {
        $air = new Atmosphere(1013.25, 12.0);
        $low = Sight::reduce(new RawReading(1.0, M_PI_2, 40.0), $air, new Target(1.5));
        // As far across, and 0.3 m higher: the same mark.
        $slope = hypot(40.0, 0.3);
        $high = Sight::reduce(new RawReading(1.0, acos(0.3 / $slope), $slope), $air, new Target(1.8));
        $mean = Sight::mean([$low, $high], [1.0, 1.0]);
        self::assertEqualsWithDelta([$low->zenith, $low->slope, $low->distance, $low->rise], [$mean->zenith, $mean->slope, $mean->distance, $mean->rise], 2e-6);
        self::assertSame(1.5, $mean->target->height);
        $longer = Sight::reduce(new RawReading(1.0, M_PI_2, 40.01), $air, new Target(1.5));
        self::assertEqualsWithDelta(($low->slope + $longer->slope) / 2, Sight::mean([$low, $longer], [1.0, 1.0])->slope, 1e-9);
    }
}
