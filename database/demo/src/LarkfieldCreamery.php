<?php

declare(strict_types=1);

namespace Parlay\Demo;

/** A small creamery, invented: a building, tank pads and floor drains. Drawn in feet, old style. */
final class LarkfieldCreamery
{
    private const NORTHING = 5_200.0;

    private const EASTING = 2_350.0;

    private const FLOOR = 101.5;

    public static function control(): string
    {
        $text = '';
        foreach ([
            ['LC-1', -42.31, -35.62, 99.87, 'HUB'], ['LC-2', 158.04, -38.18, 100.22, 'HUB'], ['LC-3', 161.77, 118.43, 101.06, 'PK'],
            ['LC-4', -45.90, 121.25, 100.64, 'PK'],
        ] as [$name, $e, $n, $z, $code]) {
            $text .= sprintf("%-6s %10.3f %10.3f %8.3f  %s\n", $name, self::NORTHING + $n, self::EASTING + $e, $z, $code);
        }

        return $text;
    }

    public static function drawing(): string
    {
        $d = new DxfSheet(2, true);
        foreach (['S-WALL' => 7, 'S-BOLT' => 1, 'P-DRAIN' => 150, 'TANK' => 84, 'TEXT' => 8] as $name => $colour) {
            $d->layer($name, $colour);
        }
        $at = static fn (float $e, float $n, float $z = self::FLOOR): array => [self::EASTING + $e, self::NORTHING + $n, $z];
        $d->block('BASE', $d->circle('S-BOLT', [-0.5, -0.5, 0.25], 0.0417).$d->circle('S-BOLT', [0.5, -0.5, 0.25], 0.0417)
            .$d->circle('S-BOLT', [0.5, 0.5, 0.25], 0.0417).$d->circle('S-BOLT', [-0.5, 0.5, 0.25], 0.0417));
        $outline = [[0, 0], [120, 0], [120, 52], [112, 60, tan(M_PI / 8)], [0, 60]];
        $bulges = [0.0, 0.0, tan(M_PI / 8), 0.0, 0.0];
        $d->draw($d->polyline('S-WALL', array_map(
            static fn (array $p, int $k) => [self::EASTING + $p[0], self::NORTHING + $p[1], $bulges[$k]], $outline,
            array_keys($outline),
        ), true, self::FLOOR));
        foreach ([2.0, 40.0, 80.0, 110.0] as $e) {
            foreach ([2.0, 58.0] as $n) {
                $d->draw($d->insert('S-BOLT', 'BASE', $at($e, min($n, $e > 105 ? 50.0 : 58.0)), 0.0));
            }
        }
        foreach ([[20.0, 84.0, 8.0], [44.0, 84.0, 8.0], [70.0, 86.0, 10.0]] as $i => [$e, $n, $r]) {
            $d->draw($d->circle('TANK', $at($e, $n, 101.0), $r), $d->text('TEXT', $at($e - 5, $n - 1), 2.0, 'TANK '.($i + 1)));
        }
        foreach ([[15.0, 30.0], [45.0, 30.0], [75.0, 30.0], [105.0, 30.0]] as [$e, $n]) {
            $d->draw(
                $d->line('P-DRAIN', $at($e - 1, $n, 101.25), $at($e + 1, $n, 101.25)),
                $d->line('P-DRAIN', $at($e, $n - 1, 101.25), $at($e, $n + 1, 101.25)),
            );
        }
        $d->draw(
            $d->line('P-DRAIN', $at(15.0, 30.0, 101.25), $at(105.0, 30.0, 101.0)),
            $d->text('TEXT', $at(38.0, 8.0), 3.0, 'LARKFIELD CREAMERY'),
        );

        return $d->file();
    }
}
