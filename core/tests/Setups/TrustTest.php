<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setups;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\ImplausibleEntry;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Setups\Blunders\BlunderDetection;
use Parlay\Core\Setups\Blunders\Cause;
use Parlay\Core\Setups\CannotSetUp;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\GridLines;
use Parlay\Core\Setups\KnownPoint;
use Parlay\Core\Setups\LineShot;
use Parlay\Core\Setups\Resection;
use Parlay\Core\Setups\ShortBase;
use Parlay\Core\Setups\SiteLine;
use Parlay\Core\Setups\WeakFigure;
use Parlay\Core\Setups\Weakness;
use Parlay\Core\Setups\WeaknessKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What setups say of themselves, on simulated days; ./parlay bench trust does the same with thousands. */
final class TrustTest extends TestCase
{
    private const DAYS = 600;

    /** @return iterable<string, array{string, float}> */
    public static function ways(): iterable
    {
        foreach (Trust::METHODS as $method) {
            yield "$method, two faces" => [$method, 1.0];
            yield "$method, one face" => [$method, M_SQRT2];
        }
    }

    /** With 600 days a true 95 lies between 92.3 and 97.7 in 997 of 1000 (binomial). */
    #[DataProvider('ways')]
    public function test_what_is_stated_with_95_of_100_holds_so_often(string $method, float $angles): void
    {
        $share = Trust::share(self::DAYS, static fn (int $seed) => Trust::holds($method, $angles, $seed));
        self::assertGreaterThan(92.3, $share);
        self::assertLessThan(97.7, $share);
    }

    public function test_a_clean_check_is_called_wrong_once_in_a_hundred_level_and_steep_with_both_faces_and_one(): void
    {
        foreach ([1.0, M_SQRT2] as $angles) {
            foreach ([0.0, M_PI / 3] as $steep) {
                $share = Trust::share(1500, static fn (int $seed) => Trust::falseAlarm($angles, $steep, $seed));
                self::assertGreaterThan(0.3, $share, "$angles $steep");
                self::assertLessThan(1.8, $share, "$angles $steep");
            }
        }
    }

    /**
     * Millions from the origin, level and steep, whatever the instrument had applied: a staked shot is where the pole stands, to 0.01
     * mm.
     */
    public function test_a_staked_shot_is_where_the_pole_stands_and_leads_to_the_design(): void
    {
        foreach (range(1, 400) as $seed) {
            self::assertLessThan(1e-5, Trust::staked($seed), "seed $seed");
        }
    }

    public function test_the_setups_own_error_does_not_average_away(): void
    {
        foreach ([1, 8] as $shots) {
            $within = Trust::share(self::DAYS, static function (int $seed) use ($shots): bool {
                [$off, $stated] = Trust::newControl($shots, $seed);

                return abs($off) < 1.96 * $stated;
            });
            self::assertEqualsWithDelta(95.0, $within, 3.0, "$shots shots");
        }
    }

    public function test_without_any_centring_error_everything_can_still_be_computed(): void
    {
        $field = new Field(4, accuracy: new Accuracy(9.6963e-6, 0.001, 1.5, 0.0, 0.0));
        $found = Resection::solve($field->sights(3), Field::INSTRUMENT_HEIGHT, $field->accuracy);
        self::assertLessThan(0.01, $found->station->mark->distanceTo($field->station));
        self::assertTrue((new KnownPoint(
            $field->station, Field::INSTRUMENT_HEIGHT, $field->accuracy,
        ))->onBacksights([$field->controlSight('B', $field->mark())])->isOriented());
        foreach ([[0.0, 0.001, 1.5], [1e-5, 0.0, 1.5], [NAN, 0.001, 1.5], [1e-5, 0.001, -1.0]] as $figures) {
            try {
                new Accuracy(...$figures);
                self::fail(json_encode($figures, JSON_PARTIAL_OUTPUT_ON_ERROR) ?: '');
            } catch (ImplausibleEntry $e) {
                self::assertStringContainsString('accuracy lies above 0', $e->getMessage());
            }
        }
    }

    /** A given direction with the mark near: an instrument beside its own mark turns it, and to which side is no secret. */
    public function test_a_given_direction_counts_the_centring_and_its_correlation(): void
    {
        $field = new Field(2, noisy: 0.0);
        $at = static fn (bool $distance): array => (new KnownPoint($field->station, Field::INSTRUMENT_HEIGHT, $field->accuracy))
            ->onDirection($distance
                ? $field->sight($field->station->along(M_PI_2, 30.0, 40.0))
                : Sight::reduce(new RawReading(1.0, 1.5, 0.0), new Atmosphere, new Target(1.8)), M_PI_2)->precision->plan;
        $stated = rad2deg(sqrt($at(true)[2][2])) * 3600;
        self::assertEqualsWithDelta(
            rad2deg(hypot(9.6963e-6, hypot(0.0015, 0.0015) / 30)) * 3600, $stated, 0.1, '14 to 15 seconds at 30 m, and never 2',
        );
        self::assertEqualsWithDelta(sqrt($at(true)[2][2]), sqrt($at(false)[2][2]), 1e-7, 'an unknown distance is taken for a usual one');
        // To the east: what the instrument stands too far south turns it, and nothing of what it stands too far east.
        self::assertEqualsWithDelta([0.0015 ** 2 / 30, 0.0], [$at(true)[0][2], $at(true)[1][2]], 1e-12);
    }

    public function test_angles_alone_take_the_scale_factor_into_their_rise(): void
    {
        // 30 m off on the grid at a scale of 0.9996, 45° up: the ground is 12 mm longer, and so is the rise.
        $sight = static fn (float $scale): Sight => Sight::reduce(
            new RawReading(0.0, M_PI_4, 0.0), new Atmosphere, new Target(1.8), $scale,
        );
        $rise = static fn (Sight $s): float => 30.0 / tan($s->straightZenith(30.0));
        self::assertEqualsWithDelta(0.012, $rise($sight(0.9996)) - $rise($sight(1.0)), 2e-5);
    }

    public function test_rounds_are_each_reduced_with_their_own_air_constant_and_height_and_weigh_by_their_faces(): void
    {
        $reading = static fn (float $constant, float $height, float $circle): Sight => Sight::reduce(
            new RawReading($circle, atan2(50.0, 4.0 + $height), hypot(50.0, 4.0 + $height) - $constant), new Atmosphere(1013.25, 12.0),
            new Target($height, $constant),
        );
        $mean = Sight::mean([$reading(0.0, 1.5, 0.1), $reading(0.0175, 2.0, 0.1)], [1.0, 1.0]);
        $first = $reading(0.0, 1.5, 0.1);
        self::assertEqualsWithDelta(
            [$first->distance, $first->rise, 1.5], [$mean->distance, $mean->rise, $mean->target->height], 1e-4,
            'another constant and another height are no other place',
        );
        // A pair weighs twice a single face.
        self::assertEqualsWithDelta(
            0.1 + 3e-5 / 3, Sight::mean([$reading(0.0, 1.5, 0.1), $reading(0.0, 1.5, 0.1 + 3e-5)], [1.0, M_SQRT2])->circle, 1e-12,
        );
        self::assertEqualsWithDelta(
            2 * M_PI - 1e-6, Sight::mean([$reading(0.0, 1.5, 2 * M_PI - 3e-6), $reading(0.0, 1.5, 1e-6)], [1.0, 1.0])->circle, 1e-9,
            'over north',
        );
    }

    /**
     * On the circle through three marks their angles are the same everywhere: the minimum is reached, or it is said that they decide
     * nothing.
     */
    public function test_near_the_danger_circle_a_solution_is_the_minimum_or_none(): void
    {
        $said = 0;
        for ($seed = 1; $seed <= 120; $seed++) {
            $field = new Field($seed);
            $centre = $field->station->along($field->between(0, 2 * M_PI), 50.0);
            $sights = [];
            foreach ([0.3, 1.7, 3.1, 4.4] as $i => $turn) {
                $off = 50.0 + $field->noise(0.3);
                $mark = $centre->along(
                    $centre->azimuthTo($field->station) + $turn + $field->between(-0.3, 0.3), $off,
                    $field->station->elevation + $field->between(-2, 2),
                );
                $sights[] = $field->controlSight("M$i", $mark)->with(distance: false);
            }
            try {
                $found = Resection::solve($sights, Field::INSTRUMENT_HEIGHT, $field->accuracy);
            } catch (CannotSetUp) {
                $said++;

                continue;
            }
            [$vn, $ve] = [$found->precision->plan[0][0], $found->precision->plan[1][1]];
            $off = $found->station->mark->distanceTo($field->station);
            self::assertTrue($off < 5 * sqrt($vn + $ve) + 0.001, "seed $seed: $off m off, and ".sqrt($vn + $ve).' stated');
        }
        self::assertLessThan(60, $said);
    }

    public function test_short_lines_and_backsights_are_weak_for_far_work_and_long_ones_are_not(): void
    {
        $field = new Field(7, noisy: 0.0);
        $far = $field->station->along(0.5, 103.0);
        $back = static function (float $off) use ($field, $far): ?Weakness {
            $mark = $field->station->along(2.0, $off, 41.0);

            return WeakFigure::ofShort(
                ShortBase::backsight('BS', $off),
                (new KnownPoint($field->station, 1.6, $field->accuracy))->onBacksights([$field->controlSight('BS', $mark)]),
                $field->accuracy, $far,
            );
        };
        $short = $back(2.7);
        self::assertSame(
            [WeaknessKind::ShortBacksight, ['BS'], 2.7, true], [$short?->kind, $short?->names, $short?->metres, $short?->ofWork],
        );
        self::assertEqualsWithDelta(103.0, $short->far, 0.01);
        self::assertEqualsWithDelta(0.195, $short->reach, 0.005);
        self::assertGreaterThan(10.0, $short->mended, 'how long it would have to be');
        self::assertNull($back(120.0));
        self::assertNull(WeakFigure::ofShort(ShortBase::backsight(
            'BS', 2.7,
        ), (new KnownPoint($field->station, 1.6, $field->accuracy))->onBacksights(
            [$field->controlSight('BS', $field->station->along(2.0, 2.7, 41.0))],
        ), $field->accuracy, null), 'without any work listed nothing is judged');
        $lines = static function (float $length) use ($field, $far): ?Weakness {
            $shots = [];
            foreach ([
                'A' => [new Position(4980.0, 1990.0), 0.0], '1' => [new Position(4985.0, 1985.0), M_PI_2],
            ] as $name => [$from, $azimuth]) {
                foreach ([0.0, $length] as $along) {
                    $shots[] = new LineShot(
                        new SiteLine((string) $name, $from, $from->along($azimuth, 60.0)),
                        $field->sight($from->along($azimuth, $along, 40.0)),
                    );
                }
            }
            $grid = new GridLines($shots, 1.6, $field->accuracy);

            return WeakFigure::ofShort($grid->shortest() ?? self::fail(), $grid->places()[0]->solution, $field->accuracy, $far);
        };
        self::assertSame(WeaknessKind::ShortLine, $lines(1.0)?->kind);
        self::assertEqualsWithDelta(1.0, $lines(1.0)->metres, 0.01);
    }

    public function test_marks_whose_names_look_like_numbers_are_told_apart(): void
    {
        for ($seed = 1; $seed <= 30; $seed++) {
            $field = new Field($seed);
            $marks = [];
            foreach (range(101, 107) as $name) {
                $marks[$name] = $field->mark(25.0, 90.0);
            }
            $sights = [];
            foreach ([101, 102, 103, 104, 105] as $name) {
                // 104 is named, and 107 sighted.
                $sights[] = new ControlSight((string) $name, $marks[$name], $field->sight($marks[$name === 104 ? 107 : $name]));
            }
            foreach (BlunderDetection::explain($sights, $marks, $field->accuracy) ?? [] as $e) {
                if ($e->cause === Cause::AnotherMark) {
                    self::assertNotSame('104', $e->sights[1] ?? '104', "seed $seed: a mark is never taken for itself");
                }
            }
        }
    }
}
