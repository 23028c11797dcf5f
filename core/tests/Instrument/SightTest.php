<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Instrument;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\ImplausibleEntry;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Instrument\Target;
use PHPUnit\Framework\TestCase;

final class SightTest extends TestCase
{
    /** Ghilani & Wolf, *Elementary Surveying*, levelling chapter (recalled): 0.0675 m at 1 km, 0.0206 ft at 1000 ft. */
    public function test_curvature_and_refraction_are_those_of_the_handbook(): void
    {
        self::assertEqualsWithDelta(0.0675, Sight::curvature(1000.0), 0.00005);
        self::assertEqualsWithDelta(0.0206, Sight::curvature(304.8) / 0.3048, 0.00005);
        self::assertEqualsWithDelta(4 * Sight::curvature(500.0), Sight::curvature(1000.0), 1e-12);
    }

    public function test_the_coefficient_of_refraction_bends_the_height_and_the_angle_alone(): void
    {
        $by = static fn (float $k, float $slope): Sight => Sight::reduce(
            new RawReading(0.0, deg2rad(89.0), $slope), new Atmosphere(refraction: $k), new Target(1.5),
        );
        // Without refraction the earth alone drops by d²/2R: 78.5 mm at 1 km. A light ray curved as the earth is sees it flat.
        self::assertEqualsWithDelta(0.07846, $by(0.0, 1000.0)->lift(), 0.00001);
        self::assertEqualsWithDelta(0.0, $by(1.0, 1000.0)->lift(), 1e-12);
        self::assertEqualsWithDelta($by(0.0, 1000.0)->rise - 0.3 * $by(0.0, 1000.0)->lift(), $by(0.3, 1000.0)->rise, 1e-9);
        self::assertEqualsWithDelta($by(0.14, 1000.0)->distance, $by(0.3, 1000.0)->distance, 0.0005);
        $angles = $by(0.3, 0.0);
        self::assertEqualsWithDelta(
            1000.0 / tan(deg2rad(89.0)) + Sight::curvature(1000.0, 0.3), 1000.0 / tan($angles->straightZenith(1000.0)), 1e-9,
        );
        $this->expectException(ImplausibleEntry::class);
        new Atmosphere(refraction: 14.0);
    }

    public function test_what_the_instrument_applied_is_taken_out_before_our_own_is_applied(): void
    {
        $air = new Atmosphere(980.0, 30.0);
        $level = static fn (float $slope, float $ppm, float $constant) => Sight::reduce(
            new RawReading(0.0, M_PI_2, $slope, $ppm, $constant), $air, new Target(0.0, -0.0344),
        );
        $bare = $level(100.0, 0.0, 0.0);
        $applied = $level(100.0 * (1 + $air->ppm() * 1e-6) - 0.0344, $air->ppm(), -0.0344);
        self::assertEqualsWithDelta($bare->slope, $applied->slope, 1e-12);
        self::assertEqualsWithDelta(100.0 * (1 + $air->ppm() * 1e-6) - 0.0344, $bare->slope, 1e-12);
    }

    public function test_a_steep_sight_gives_plan_distance_and_rise(): void
    {
        $sight = Sight::reduce(new RawReading(0.0, deg2rad(60), 100.0), Atmosphere::reference(), new Target(1.5));
        self::assertEqualsWithDelta(86.6025, $sight->distance, 0.001);
        self::assertEqualsWithDelta(50.0 + Sight::curvature(86.6025), $sight->rise, 1e-6);
    }

    public function test_a_station_locates_what_it_aims_at(): void
    {
        mt_srand(3);
        for ($i = 0; $i < 500; $i++) {
            $station = new Station(
                new Position(mt_rand(-5_000_000, 5_000_000) / 7, mt_rand(1_000_000, 9_000_000) / 3, mt_rand(-100, 2000) / 3),
                mt_rand(0, 6283) / 1000, 1.55,
            );
            $place = $station->mark->along(
                mt_rand(0, 6283) / 1000, mt_rand(20, 20_000) / 10, $station->mark->elevation + mt_rand(-300, 300) / 20,
            );
            $aim = $station->aimAt($place, 2.0);
            $flat = $station->mark->distanceTo($place);
            $rise = $place->elevation + 2.0 - $station->mark->elevation - 1.55 - Sight::curvature($flat);
            $sight = Sight::reduce(
                new RawReading($aim['circle'], $aim['zenith'], hypot($flat, $rise)), Atmosphere::reference(), new Target(2.0),
            );
            $found = $station->locate($sight);
            self::assertLessThan(0.0005 + $flat * 2e-6, $found->distanceTo($place));
            self::assertEqualsWithDelta($place->elevation, $found->elevation, 0.0005);
        }
    }

    /**
     * IAG resolution of 1999 (recalled), closed formula worked by hand: for λ = 0.850 µm, group refractivity is
     * 287.6155 + 4.88660/0.7225 + 0.06800/0.52200625 = 294.5092.
     */
    public function test_the_group_refractivity_follows_the_published_formula(): void
    {
        $dry = new Atmosphere(1013.25, 0.0, 0.0);
        self::assertEqualsWithDelta(294.5092, $dry->refractivity(0.850), 0.0005);
        // Half the pressure is half the refractivity of dry air; it falls as the absolute temperature rises.
        self::assertEqualsWithDelta(0.5, (new Atmosphere(506.625, 0.0, 0.0))->refractivity() / $dry->refractivity(), 1e-12);
        self::assertEqualsWithDelta(273.15 / 303.15, (new Atmosphere(1013.25, 30.0, 0.0))->refractivity() / $dry->refractivity(), 1e-12);
    }

    /** Common practice, no source: about 1 ppm for each degree, 0.3 ppm for each hectopascal. */
    public function test_warm_or_thin_air_lengthens_the_distance_as_people_remember(): void
    {
        self::assertSame(0.0, Atmosphere::reference()->ppm());
        self::assertEqualsWithDelta(1.0, (new Atmosphere(1013.25, 13.0))->ppm(), 0.1);
        self::assertEqualsWithDelta(0.28, (new Atmosphere(1012.25, 12.0))->ppm(), 0.03);
    }

    public function test_figures_that_no_site_has_are_refused(): void
    {
        foreach ([
            static fn () => new Atmosphere(29.92, 12.0), static fn () => new Atmosphere(1013.0, 288.0),
            static fn () => new Target(200.0), static fn () => new Target(2.0, -34.4), static fn () => new Target(NAN),
        ] as $make) {
            try {
                $make();
                self::fail('It was taken.');
            } catch (ImplausibleEntry $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
    }
}
