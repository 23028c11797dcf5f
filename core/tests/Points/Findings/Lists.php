<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Points\Findings;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Findings\Surroundings;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Units\LengthUnit;

/**
 * Seeded lists of points as sites have them: a grid of columns or a scatter, at a place of a local or a national grid, with a few marks
 * around; every tenth has one far mark as well.
 */
final class Lists
{
    public static function clean(int $seed, LengthUnit $unit = LengthUnit::Metre): array
    {
        mt_srand($seed);
        $r = static fn (float $a, float $b): float => $a + ($b - $a) * mt_rand() / mt_getrandmax();
        [$n0, $e0] = [[1000.0, 5000.0], [5200.0, 2350.0], [512_345.0, 187_654.0], [5_712_345.0, 412_345.0]][mt_rand(0, 3)];
        [$high, $wide, $turn] = [$r(30, 300), $r(30, 300), $r(0, 1.5)];
        $count = mt_rand(8, 120);
        $regular = mt_rand(0, 1) === 1;
        $across = max(2, (int) sqrt($count));
        $rows = [];
        for ($i = 0; $i < $count; $i++) {
            [$a, $b] = $regular
                ? [($i % $across) / $across * $high, intdiv($i, $across) / ceil($count / $across) * $wide]
                : [$r(0, $high), $r(0, $wide)];
            [$n, $e] = [$n0 + $a * cos($turn) - $b * sin($turn), $e0 + $a * sin($turn) + $b * cos($turn)];
            if ($i === 0 && $seed % 10 === 0) {
                [$n, $e] = [$n0 + $r(-900, 900), $e0 + $r(-900, 900)];
            }
            $rows[] = [$n, $e, mt_rand(0, 4) === 0 ? null : $r(3, 40)];
        }

        return self::written($rows, $unit);
    }

    /**
     * As a file would have them, to the millimetre.
     *
     * @param  list<array{float, float, ?float}>  $places  metres
     * @return list<PointRow>
     */
    public static function written(array $places, LengthUnit $unit): array
    {
        $rows = [];
        foreach ($places as $i => [$n, $e, $z]) {
            $digits = $unit === LengthUnit::Millimetre ? 0 : 3;
            [$nt, $et] = [sprintf("%.{$digits}f", $n / $unit->metres()), sprintf("%.{$digits}f", $e / $unit->metres())];
            $rows[] = self::row($i + 2, 'P'.($i + 1), $nt, $et, $z, $unit);
        }

        return $rows;
    }

    public static function row(int $line, string $name, string $northing, string $easting, ?float $z, LengthUnit $readIn): PointRow
    {
        return new PointRow(
            $line, $name, new Position((float) $northing * $readIn->metres(), (float) $easting * $readIn->metres(), $z), '', '',
            $northing, $easting,
        );
    }

    /**
     * What the project has already of this site: some marks, of which a few are in the list by name.
     *
     * @param  list<PointRow>  $rows
     */
    public static function around(array $rows, int $common): Surroundings
    {
        $named = [];
        foreach (array_slice($rows, 2, $common) as $row) {
            $named[$row->name] = $row->position;
        }
        $n = array_map(static fn (PointRow $r) => $r->position->northing, $rows);
        $e = array_map(static fn (PointRow $r) => $r->position->easting, $rows);
        sort($n);
        sort($e);
        [$k, $l] = [intdiv(count($n), 8), intdiv(7 * count($n), 8)];

        return new Surroundings($named, [], [$e[$k], $n[$k], $e[$l], $n[$l]]);
    }
}
