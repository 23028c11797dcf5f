<?php

declare(strict_types=1);

namespace Parlay\Simulator\Tests;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Target;
use Parlay\Simulator\Optics;
use PHPUnit\Framework\TestCase;

/** The stand-in's geometry (vectors over a sphere) and core's reduction (series) were written apart: each checks the other. */
final class OpticsTest extends TestCase
{
    public function test_core_reduces_what_the_stand_in_shows_to_where_the_prism_is(): void
    {
        mt_srand(8);
        for ($i = 0; $i < 1000; $i++) {
            $axis = new Position(mt_rand(-5_000_000, 5_000_000), mt_rand(0, 9_000_000), mt_rand(-50, 2500));
            $distance = 2 * 1000 ** (mt_rand(0, 1000) / 1000);
            $prism = $axis->along(mt_rand(0, 6283) / 1000, $distance, $axis->elevation + $distance * mt_rand(-900, 900) / 1000);
            $air = new Atmosphere(mt_rand(850, 1050), mt_rand(-15, 40), refraction: mt_rand(-100, 100) / 100);
            $constant = mt_rand(-400, 100) / 10_000;
            [$ppmSet, $constantSet] = [mt_rand(-50, 80), mt_rand(-300, 300) / 10_000];
            $line = Optics::line($axis, $prism, mt_rand(0, 6283) / 1000, $air->refraction);
            $reading = Optics::reading($line, Optics::shown($line['slope'], $air, $constant, $ppmSet, $constantSet), $ppmSet, $constantSet);
            $sight = Sight::reduce($reading, $air, new Target(0.0, $constant));
            // One part in ten million and a tenth of a millimetre, up to 2 km and 42 degrees.
            $allowed = 0.0001 + 1e-7 * $distance;
            self::assertEqualsWithDelta($distance, $sight->distance, $allowed);
            self::assertEqualsWithDelta($prism->elevation - $axis->elevation, $sight->rise, $allowed + 2e-7 * $distance);
        }
    }
}
