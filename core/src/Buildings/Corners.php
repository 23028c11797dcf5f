<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

/** Corners of a solid while it is being made: places nearer to one another than two thousandths of a millimetre are one. */
final class Corners
{
    /** metres */
    public const SAME = 2e-6;

    /** @var list<array{float, float, float}> */
    public array $all = [];

    /** Cells this wide are looked in: many times what counts as one place, so that few places lie near the next cell. */
    private const CELL = 64 * self::SAME;

    /** @var array<string, list<int>> */
    private array $cells = [];

    /**
     * Its number; a new one where none is so near.
     *
     * @param  array{float, float, float}  $c
     */
    public function number(array $c): int
    {
        [$x, $y, $z] = $c;
        // Added to 0, a 0 from below is one like any other: as a key it would be another.
        $i = floor($x / self::CELL) + 0.0;
        $j = floor($y / self::CELL) + 0.0;
        $k = floor($z / self::CELL) + 0.0;
        $key = "$i $j $k";
        $found = $this->in($key, $x, $y, $z) ?? $this->beside($x, $y, $z, $i, $j, $k);
        if ($found !== null) {
            return $found;
        }
        $this->all[] = $c;

        return $this->cells[$key][] = count($this->all) - 1;
    }

    private function in(string $key, float $x, float $y, float $z): ?int
    {
        foreach ($this->cells[$key] ?? [] as $i) {
            [$a, $b, $c] = $this->all[$i];
            if (abs($a - $x) < self::SAME && abs($b - $y) < self::SAME && abs($c - $z) < self::SAME) {
                return $i;
            }
        }

        return null;
    }

    /** In the cells next to its own that are as near as what counts as one place. */
    private function beside(float $x, float $y, float $z, float $i, float $j, float $k): ?int
    {
        [$di, $dj, $dk] = [self::side($x, $i), self::side($y, $j), self::side($z, $k)];
        if ($di === 0.0 && $dj === 0.0 && $dk === 0.0) {
            return null;
        }
        foreach ($di === 0.0 ? [0.0] : [0.0, $di] as $a) {
            foreach ($dj === 0.0 ? [0.0] : [0.0, $dj] as $b) {
                foreach ($dk === 0.0 ? [0.0] : [0.0, $dk] as $c) {
                    $found = $a === 0.0 && $b === 0.0 && $c === 0.0 ? null : $this->in(($i + $a).' '.($j + $b).' '.($k + $c), $x, $y, $z);
                    if ($found !== null) {
                        return $found;
                    }
                }
            }
        }

        return null;
    }

    /** -1 or 1 where the next cell is near, 0 where none is. */
    private static function side(float $v, float $cell): float
    {
        $in = $v - $cell * self::CELL;

        return $in < 1.01 * self::SAME ? -1.0 : ($in > self::CELL - 1.01 * self::SAME ? 1.0 : 0.0);
    }

    /**
     * A closed line by numbers, none twice in a row; empty where fewer than three are left.
     *
     * @param  list<array{float, float, float}>  $places
     * @return list<int>
     */
    public function loop(array $places): array
    {
        $loop = [];
        foreach ($places as $c) {
            $i = $this->number($c);
            if ($loop === [] || $loop[count($loop) - 1] !== $i) {
                $loop[] = $i;
            }
        }
        while (count($loop) > 1 && $loop[0] === $loop[count($loop) - 1]) {
            array_pop($loop);
        }

        return count($loop) >= 3 ? $loop : [];
    }
}
