<?php

declare(strict_types=1);

namespace Parlay\Demo;

/**
 * The substation beside the yard, invented: a designer's drawing in millimetres on an origin of its own, with the site's control drawn
 * in it, its next revision, and a list of studs with slips of the pen. To try placing, revisions and the doctor with.
 */
final class Substation
{
    /** The drawing's origin and turn on the site. */
    private const NORTHING = 78_612.0;

    private const EASTING = 41_282.0;

    private const TURN = 12.5;

    public static function drawing(bool $revised): string
    {
        $d = new DxfSheet(4);
        foreach (['FOOTINGS' => 5, 'TRENCH' => 3, 'CONTROL' => 1, 'NOTES' => 8] as $layer => $colour) {
            $d->layer($layer, $colour);
        }
        for ($i = 0; $i < 4; $i++) {
            for ($k = 0; $k < 3; $k++) {
                if ($revised && $i === 3 && $k === 2) {
                    continue;
                }
                [$x, $y] = [4000.0 * $i + ($revised && $i === 1 && $k === 1 ? 120.0 : 0.0), 3500.0 * $k];
                $d->draw($d->circle('FOOTINGS', [$x, $y], 250.0), $d->polyline(
                    'FOOTINGS', [[$x - 600, $y - 600], [$x + 600, $y - 600], [$x + 600, $y + 600], [$x - 600, $y + 600]], true,
                ));
            }
        }
        $d->draw($d->polyline('TRENCH', [[-2000.0, 9000.0], [5000.0, 9000.0, 0.4142135624], [8000.0, 12000.0], [8000.0, 15000.0]], false));
        if ($revised) {
            $d->draw($d->circle('FOOTINGS', [14000.0, 3500.0], 900.0));
        }
        $d->draw(
            $d->text('NOTES', [1200.0, 250.0], 300.0, '4.000'),
            $d->text('NOTES', [0.0, -2500.0], 400.0, 'SUBSTATION'.($revised ? ' REV B' : '')),
        );
        foreach (self::control() as $name => [$n, $e]) {
            [$x, $y] = self::own($n, $e);
            $d->draw($d->point('CONTROL', [$x, $y]), $d->text('CONTROL', [$x + 400, $y + 400], 600.0, $name));
        }

        return $d->file();
    }

    /** Twelve studs, one with a zero too many, one twice, one name for two places. */
    public static function studs(): string
    {
        $rows = "Name,Easting,Northing,Level,Code,Crew\n";
        for ($i = 1; $i <= 12; $i++) {
            [$e, $n] = [self::EASTING + 1.25 * $i, self::NORTHING + 2.0 + 0.4 * ($i % 3)];
            $rows .= sprintf(
                "%s,%.3f,%s,%.3f,STUD,%s\n", $i === 9 ? 'ST8' : "ST$i", $e, $i === 5 ? sprintf('%.3f', $n * 10) : sprintf('%.3f', $n),
                4.6, $i % 2 === 0 ? 'north' : 'south',
            );
        }

        return $rows.sprintf("ST3,%.3f,%.3f,4.600,STUD,south\n", self::EASTING + 3.75, self::NORTHING + 2.0);
    }

    /** @return array<string, array{float, float}> northing, easting as issued */
    private static function control(): array
    {
        $marks = [];
        foreach (array_slice(explode("\n", SaltmarshYard::control()), 2) as $row) {
            $cells = explode(';', $row);
            if (count($cells) > 3) {
                $marks[$cells[0]] = [(float) $cells[2], (float) $cells[1]];
            }
        }

        return array_intersect_key($marks, array_flip(['CP1', 'CP2', 'CP6', 'BM1']));
    }

    /** @return array{float, float} */
    private static function own(float $n, float $e): array
    {
        [$dn, $de, $turn] = [$n - self::NORTHING, $e - self::EASTING, deg2rad(self::TURN)];

        return [round(1000 * ($de * cos($turn) - $dn * sin($turn)), 1), round(1000 * ($de * sin($turn) + $dn * cos($turn)), 1)];
    }
}
