<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setups;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\CannotSetUp;
use Parlay\Core\Setups\Caution;
use Parlay\Core\Setups\CautionKind;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\Resection;
use Parlay\Core\Setups\SetupSolution;
use Parlay\Core\Units\Angle;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Resections with angles alone, with distances alone, and mixed. */
final class MixedSightsTest extends TestCase
{
    /**
     * @return array<string, array{callable(int, ControlSight): ControlSight, int, int}> by what is used: how, of how many sights, and
     *     how many places there are
     */
    public static function kinds(): array
    {
        return [
            'angles alone of three' => [static fn (int $i, ControlSight $s) => $s->with(distance: false), 3, 1],
            'angles alone of six' => [static fn (int $i, ControlSight $s) => $s->with(distance: false), 6, 1],
            'distances alone of two' => [static fn (int $i, ControlSight $s) => $s->with(direction: false), 2, 2],
            'distances alone of four' => [static fn (int $i, ControlSight $s) => $s->with(direction: false), 4, 1],
            'one distance and three directions' => [static fn (int $i, ControlSight $s) => $s->with(distance: $i === 0), 3, 1],
            'one of all, one direction and one distance' => [
                static fn (int $i, ControlSight $s) => $s->with(direction: $i !== 2, distance: $i !== 1), 3, 1,
            ],
            'a distance, and directions to others' => [
                static fn (int $i, ControlSight $s) => $s->with(direction: $i !== 0, distance: $i === 0), 4, 1,
            ],
        ];
    }

    #[DataProvider('kinds')]
    public function test_the_place_is_found_without_a_guess(callable $how, int $count, int $places): void
    {
        foreach (range(1, 40) as $seed) {
            $field = new Field($seed, new Position(-4_000_000.0, 512_345.0, -20.0), $seed / 6.3, noisy: 0.0);
            $sights = $field->sights($count);
            $found = Resection::places(array_map($how, array_keys($sights), $sights), Field::INSTRUMENT_HEIGHT, $field->accuracy);
            $nearest = min(array_map(static fn (SetupSolution $s) => $s->station->mark->distanceTo($field->station), $found));
            self::assertLessThan(2e-5, $nearest, "seed $seed");
            $right = $found[0]->station->mark->distanceTo($field->station) < 1e-3 ? $found[0] : $found[1];
            self::assertEqualsWithDelta(-20.0, $right->station->mark->elevation, 1e-4);
            if ($found[0]->isOriented()) {
                self::assertEqualsWithDelta(0.0, Angle::signed($right->station->orientation - $field->orientation), 1e-6);
            }
            if ($places === 2) {
                self::assertCount(2, $found, 'two distances give two places');
                self::assertSame(CautionKind::TwoPlaces, $found[0]->cautions[0]->kind);
            }
        }
    }

    public function test_distances_alone_give_no_orientation_until_a_direction_is_read(): void
    {
        $field = new Field(12, noisy: 0.0);
        $sights = $field->sights(3);
        $without = Resection::solve(
            array_map(static fn (ControlSight $s) => $s->with(direction: false), $sights), Field::INSTRUMENT_HEIGHT, $field->accuracy,
        );
        self::assertFalse($without->isOriented());
        self::assertNull($without->precision->orientation());
        self::assertNull($without->reachesTo($field->mark()));
        self::assertContainsEquals(Caution::that(CautionKind::NotOriented), $without->cautions);
        $sights = [$sights[0], $sights[1]->with(direction: false), $sights[2]->with(direction: false)];
        self::assertTrue(Resection::solve($sights, Field::INSTRUMENT_HEIGHT, $field->accuracy)->isOriented());
    }

    public function test_angles_without_any_distance_read_will_do(): void
    {
        $field = new Field(13, noisy: 0.0);
        $sights = array_map(static function (int $i) use ($field): ControlSight {
            $mark = $field->mark();
            $sight = $field->sight($mark);
            $angles = \Parlay\Core\Instrument\Sight::reduce(
                new \Parlay\Core\Instrument\RawReading($sight->circle, $sight->zenith, 0.0), new \Parlay\Core\Instrument\Atmosphere,
                $sight->target,
            );

            return new ControlSight("S$i", $mark, $angles);
        }, range(1, 4));
        $solution = Resection::solve($sights, Field::INSTRUMENT_HEIGHT, $field->accuracy);
        self::assertLessThan(2e-5, $solution->station->mark->distanceTo($field->station));
        self::assertEqualsWithDelta(40.0, $solution->station->mark->elevation, 1e-4);
        self::assertNull($solution->residuals[0]->distance);
        self::assertNotNull($solution->residuals[0]->height);
    }

    /**
     * Three points by angles alone, against Tienstra's formula for the place: weights 1/(cot A − cot α) of the three marks, with the
     * triangle's angles A and the measured ones α (Porta & Thomas, "Concise proof of Tienstra's formula", J. Surv. Eng. 2009;
     * recalled).
     */
    public function test_three_directions_agree_with_tienstra(): void
    {
        foreach (range(1, 60) as $seed) {
            $field = new Field($seed, noisy: 0.0);
            $sights = array_map(static fn (ControlSight $s) => $s->with(distance: false, height: false), $field->sights(3, 30, 90));
            $place = self::tienstra($sights);
            if ($place === null || abs($field->station->distanceTo($place)) > 1.0) {
                continue;
            }
            self::assertLessThan(
                1e-4, Resection::solve($sights, Field::INSTRUMENT_HEIGHT, $field->accuracy)->station->mark->distanceTo($place),
                "seed $seed",
            );
            self::assertLessThan(1e-4, $field->station->distanceTo($place));
            $agreed = ($agreed ?? 0) + 1;
        }
        self::assertGreaterThan(20, $agreed ?? 0);
    }

    /** @param  list<ControlSight>  $s */
    private static function tienstra(array $s): ?Position
    {
        $n = $e = $sum = 0.0;
        foreach ([[0, 1, 2], [1, 2, 0], [2, 0, 1]] as [$i, $j, $k]) {
            $corner = Angle::signed($s[$i]->control->azimuthTo($s[$k]->control) - $s[$i]->control->azimuthTo($s[$j]->control));
            $seen = Angle::signed($s[$k]->sight->circle - $s[$j]->sight->circle);
            $weight = 1 / (1 / tan($corner) - 1 / tan($seen));
            $n += $weight * $s[$i]->control->northing;
            $e += $weight * $s[$i]->control->easting;
            $sum += $weight;
        }

        return abs($sum) < 1e-9 ? null : new Position($n / $sum, $e / $sum);
    }

    public function test_too_little_is_refused_and_says_what_is_missing(): void
    {
        $field = new Field(14, noisy: 0.0);
        $sights = $field->sights(3);
        $directions = array_map(static fn (ControlSight $s) => $s->with(distance: false), $sights);
        foreach ([
            [array_slice($directions, 0, 2), 'Angles alone need three'], [[$sights[0]->with(direction: false)], 'at least two'],
            [array_map(static fn (ControlSight $s) => $s->unused(), $sights), 'none is'],
        ] as [$given, $word]) {
            try {
                Resection::solve($given, Field::INSTRUMENT_HEIGHT, $field->accuracy);
                self::fail('It was taken.');
            } catch (CannotSetUp $e) {
                self::assertStringContainsString($word, $e->getMessage());
            }
        }
    }

    /** On the circle through the three marks the angles are the same everywhere: no place can come of them. */
    public function test_on_the_circle_through_three_marks_angles_give_no_place_worth_having(): void
    {
        $centre = new Position(500.0, 500.0, 10.0);
        $field = new Field(15, $centre->along(4.0, 60.0, 10.0), noisy: 0.0);
        $sights = array_map(
            static fn (float $a) => $field->controlSight("C$a", $centre->along($a, 60.0, 10.0))->with(distance: false, height: false),
            [0.3, 1.2, 2.4],
        );
        $this->expectExceptionMessage('do not fix a place');
        Resection::solve($sights, Field::INSTRUMENT_HEIGHT, $field->accuracy);
    }

    public function test_steep_sights_two_millimetres_and_two_kilometres(): void
    {
        foreach ([[20.0, 60.0], [0.002, 0.0], [2000.0, 30.0]] as [$far, $up]) {
            $field = new Field(16, noisy: 0.0);
            $sights = array_map(
                static fn (int $i) => $field->controlSight("S$i", $field->station->along(2 * M_PI * $i / 3 + 0.1, $far, 40.0 + $up)),
                [0, 1, 2],
            );
            if ($far < 0.1) {
                try {
                    Resection::solve($sights, Field::INSTRUMENT_HEIGHT, $field->accuracy);
                    self::fail('Marks two millimetres off are one place.');
                } catch (CannotSetUp $e) {
                    self::assertStringContainsString('one place', $e->getMessage());
                }

                continue;
            }
            self::assertLessThan(
                5e-5, Resection::solve($sights, Field::INSTRUMENT_HEIGHT, $field->accuracy)->station->mark->distanceTo($field->station),
                "$far m",
            );
        }
    }
}
