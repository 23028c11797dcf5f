<?php

declare(strict_types=1);

namespace Parlay\Demo;

/** A tram depot, invented: a hall on a turned column grid, anchor bolts, curved sidings, a yard. Drawn in millimetres. */
final class SaltmarshYard
{
    public const NORTHING = 78_640.0;

    public const EASTING = 41_250.0;

    public const SLAB = 4.6;

    private const TURN = 18.0;

    private const SPAN = 9.0;

    private const BAY = 7.5;

    private const ROWS = ['A', 'B', 'C', 'D'];

    private const COLUMNS = 6;

    /**
     * Millimetres from metres along (u) and across (v) the hall.
     *
     * @return array{float, float, float}
     */
    private static function mm(float $u, float $v, float $z = self::SLAB): array
    {
        $turn = deg2rad(self::TURN);

        return [
            round((self::EASTING + $u * cos($turn) - $v * sin($turn)) * 1000, 3),
            round((self::NORTHING + $u * sin($turn) + $v * cos($turn)) * 1000, 3),
            $z * 1000,
        ];
    }

    /**
     * Metres east and north, from metres along and across the hall.
     *
     * @return array{float, float}
     */
    public static function place(float $u, float $v): array
    {
        [$x, $y] = self::mm($u, $v);

        return [$x / 1000, $y / 1000];
    }

    /** @return list<string> names of the columns in the order they are drawn */
    public static function columns(): array
    {
        $names = [];
        foreach (self::ROWS as $row) {
            for ($i = 1; $i <= self::COLUMNS; $i++) {
                $names[] = $row.$i;
            }
        }

        return $names;
    }

    public static function control(): string
    {
        $marks = [
            ['CP1', -38.214, -21.406, 4.118, 'PIN', 'steel pin in kerb'],
            ['CP2', 61.937, -19.872, 4.203, 'NAIL', 'nail in asphalt'], ['CP3', 64.551, 46.318, 4.377, 'PIN', ''],
            ['CP4', 11.204, 51.760, 4.342, 'NAIL', 'nail in asphalt'],
            ['CP5', -41.008, 44.925, 4.291, 'PIN', ''], ['CP6', -12.630, -24.117, 4.155, 'NAIL', 'beside the gate'],
            ['BM1', 30.480, -26.902, 4.862, 'BM', 'bolt in wall of the substation'],
        ];
        $text = "# Saltmarsh Yard, site control, issue B\nPoint;Easting;Northing;Level;Code;Remark\n";
        foreach ($marks as [$name, $u, $v, $z, $code, $remark]) {
            [$x, $y] = self::mm($u, $v);
            $text .= sprintf("%s;%.3f;%.3f;%.3f;%s;%s\n", $name, $x / 1000, $y / 1000, $z, $code, $remark);
        }

        return $text;
    }

    public static function drawing(): string
    {
        $d = new DxfSheet(4);
        foreach ([
            'GRID' => 8, 'GRID-NAMES' => 8, 'PLATES' => 30, 'ANCHORS' => 1, 'WALLS' => 7, 'TRACK' => 5, 'YARD' => 94, 'DRAINS' => 140,
            'LEVELS' => 42, 'NOTES' => 9,
        ] as $name => $colour) {
            $d->layer($name, $colour);
        }
        self::blocks($d);
        self::grid($d);
        self::hall($d);
        self::track($d);
        self::yard($d);

        return $d->file();
    }

    private static function blocks(DxfSheet $d): void
    {
        $bolts = '';
        foreach ([[-150, -150], [150, -150], [150, 150], [-150, 150]] as [$x, $y]) {
            $bolts .= $d->circle('ANCHORS', [(float) $x, (float) $y, 150.0], 12.0);
        }
        $d->block(
            'FOOT-4', $d->polyline('PLATES', [[-220.0, -220.0], [220.0, -220.0], [220.0, 220.0], [-220.0, 220.0]], true, 130.0).$bolts,
        );
        $d->block(
            'GULLY',
            $d->circle('0', [0.0, 0.0], 300.0).$d->line('0', [-300.0, 0.0], [300.0, 0.0]).$d->line('0', [0.0, -300.0], [0.0, 300.0]),
        );
    }

    private static function grid(DxfSheet $d): void
    {
        $length = (self::COLUMNS - 1) * self::BAY;
        $width = (count(self::ROWS) - 1) * self::SPAN;
        foreach (self::ROWS as $i => $row) {
            $v = $i * self::SPAN;
            $d->draw(
                $d->line('GRID', self::mm(-3.5, $v), self::mm($length + 2.5, $v)), $d->circle('GRID', self::mm(-4.3, $v), 800.0),
                $d->text('GRID-NAMES', self::mm(-4.6, $v - 0.3), 700.0, $row, self::TURN),
            );
        }
        for ($i = 1; $i <= self::COLUMNS; $i++) {
            $u = ($i - 1) * self::BAY;
            $d->draw(
                $d->line('GRID', self::mm($u, -3.5), self::mm($u, $width + 2.5)), $d->circle('GRID', self::mm($u, -4.3), 800.0),
                $d->text('GRID-NAMES', self::mm($u - 0.25, -4.6), 700.0, (string) $i, self::TURN),
            );
        }
    }

    private static function hall(DxfSheet $d): void
    {
        $length = (self::COLUMNS - 1) * self::BAY;
        $width = (count(self::ROWS) - 1) * self::SPAN;
        foreach (self::ROWS as $i => $row) {
            for ($c = 0; $c < self::COLUMNS; $c++) {
                $d->draw($d->insert('PLATES', 'FOOT-4', self::mm($c * self::BAY, $i * self::SPAN), self::TURN));
            }
        }
        $wall = static fn (float $o): array => array_map(
            static fn (array $p) => array_slice(self::mm($p[0], $p[1]), 0, 2),
            [[-$o, -$o], [$length + $o, -$o], [$length + $o, $width + $o], [-$o, $width + $o]],
        );
        $d->draw($d->polyline('WALLS', $wall(0.45), true, self::SLAB * 1000), $d->polyline('WALLS', $wall(0.75), true, self::SLAB * 1000));
        $d->draw($d->text('NOTES', self::mm(8, 13.0), 1100.0, 'Hall 1 %%p0.000 = 4.600', self::TURN));
    }

    /** Three sidings that leave the hall straight and curve into the yard. */
    private static function track(DxfSheet $d): void
    {
        foreach ([4.5, 13.5, 22.5] as $i => $v) {
            $radius = 30.0 + 9.0 * $i;
            $sweep = deg2rad(40);
            $curve = [-6.0 - $radius * sin($sweep), $v - $radius * (1 - cos($sweep))];
            $end = [$curve[0] - 16 * cos($sweep), $curve[1] - 16 * sin($sweep)];
            $vertices = [[36.0, $v], [-6.0, $v], $curve, $end];
            $d->draw($d->polyline('TRACK', array_map(static function (array $p, int $k) use ($sweep): array {
                [$x, $y] = self::mm($p[0], $p[1]);

                return [$x, $y, $k === 1 ? tan($sweep / 4) : 0.0];
            }, $vertices, array_keys($vertices)), false, (self::SLAB - 0.02) * 1000));
            $d->draw($d->text('NOTES', self::mm(-4.8, $v + 0.4), 600.0, 'siding '.($i + 1).', R '.$radius.' m', self::TURN));
        }
    }

    private static function yard(DxfSheet $d): void
    {
        $corner = tan(M_PI / 8);
        $kerb = [[-36, -22], [56, -22], [60, -18, $corner], [60, 40], [56, 44, $corner], [-36, 44], [-40, 40, $corner], [-40, -18]];
        $bulges = [0 => 0.0, 1 => $corner, 2 => 0.0, 3 => $corner, 4 => 0.0, 5 => $corner, 6 => 0.0, 7 => $corner];
        $d->draw($d->polyline('YARD', array_map(static function (array $p, int $k) use ($bulges): array {
            [$x, $y] = self::mm((float) $p[0], (float) $p[1]);

            return [$x, $y, $bulges[$k]];
        }, $kerb, array_keys($kerb)), true, 4250.0));
        foreach ([
            [-30, -12], [-12, -14], [8, -14], [28, -14], [48, -14], [50, 12], [50, 34], [20, 38], [-10, 38], [-32, 32],
        ] as $i => [$u, $v]) {
            $place = self::mm((float) $u, (float) $v, 4.18 + 0.01 * $i);
            $d->draw(
                $d->insert('DRAINS', 'GULLY', $place, self::TURN),
                $d->text('NOTES', [$place[0] + 450, $place[1] + 200, 0.0], 500.0, 'G'.($i + 1)),
            );
        }
        for ($u = -32; $u <= 52; $u += 12) {
            foreach ([-18, 40] as $v) {
                $z = 4.24 + 0.0025 * ($u + 32) + ($v > 0 ? 0.06 : 0.0);
                $place = self::mm((float) $u, (float) $v, $z);
                $d->draw(
                    $d->point('LEVELS', $place),
                    $d->text('LEVELS', [$place[0] + 150, $place[1] + 150, 0.0], 400.0, sprintf('%.3f', $z)),
                );
            }
        }
        $d->draw($d->ellipse('YARD', self::mm(54, 20), [1500.0, 500.0], 0.5));
    }
}
