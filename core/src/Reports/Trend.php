<?php

declare(strict_types=1);

namespace Parlay\Core\Reports;

/**
 * How deviations in plan go with something: with time (they drift), or with the place (they are turned and scaled about their middle). As a complex number, north and i
 * times east, a deviation is mean + rate · regressor, and least squares have a closed form; both parts of the rate are found equally well.
 */
final readonly class Trend
{
    /** So improbable must it be by chance before it is said: 1 of 100. Common practice, no source. */
    private const CHANCE = 0.01;

    /** Fewer leave too little that is spare. */
    private const FEWEST = 4;

    /**
     * @param  float  $real  of the rate: north for each unit of time, metres; or the scale less 1
     * @param  float  $imaginary  east for each unit of time, metres; or the turn clockwise, radians
     * @param  bool  $isMore  than chance
     */
    private function __construct(public int $count, public float $real, public float $imaginary, public bool $isMore) {}

    /**
     * @param  list<array{float, float, float}>  $rows  time in any unit, deviation to north and east in metres
     * @return self|null null where there are too few, or all are of one time
     */
    public static function drift(array $rows): ?self
    {
        return self::of(array_map(static fn (array $r): array => [$r[0], 0.0, $r[1], $r[2]], $rows));
    }

    /**
     * @param  list<array{float, float, float, float}>  $rows  northing, easting, deviation to north and east; metres
     * @return self|null null where there are too few, or all lie at one place
     */
    public static function turnAndScale(array $rows): ?self
    {
        return self::of($rows);
    }

    /**
     * Both parts together are held against nothing by F with two and 2 n − 4 degrees of freedom, whose quantile has the closed form r/2 (p^(−2/r) − 1).
     *
     * @param  list<array{float, float, float, float}>  $rows  regressor and deviation, real and imaginary part of each
     */
    private static function of(array $rows): ?self
    {
        $n = count($rows);
        if ($n < self::FEWEST) {
            return null;
        }
        $mean = array_map(static fn (int $k): float => array_sum(array_column($rows, $k)) / $n, [0, 1, 2, 3]);
        $squares = $real = $imaginary = $all = 0.0;
        foreach ($rows as $row) {
            [$u, $v, $d, $e] = array_map(static fn (float $a, float $b): float => $a - $b, $row, $mean);
            $squares += $u * $u + $v * $v;
            $all += $d * $d + $e * $e;
            $real += $u * $d + $v * $e;
            $imaginary += $u * $e - $v * $d;
        }
        // Seconds or metres: what lies so near together is one.
        if ($squares < 1e-9) {
            return null;
        }
        $freedom = 2 * $n - 4;
        $explained = ($real ** 2 + $imaginary ** 2) / $squares;
        $variance = max(0.0, $all - $explained) / $freedom;
        $limit = $freedom / 2 * (self::CHANCE ** (-2 / $freedom) - 1);

        return new self($n, $real / $squares, $imaginary / $squares, $explained / 2 > $limit * $variance && $explained > 1e-18);
    }
}
