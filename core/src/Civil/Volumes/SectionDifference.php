<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Volumes;

/** Two lines of one section held against each other: the height of the first above the second, from vertex to vertex of both. */
final class SectionDifference
{
    /**
     * @param  list<array{float, float}>  $a  metres along the section, rising, and height
     * @param  list<array{float, float}>  $b
     * @return list<array{float, float, float, float}> from where, how much there, to where, how much there
     */
    public static function of(array $a, array $b): array
    {
        $from = max($a[0][0], $b[0][0]);
        $to = min($a[count($a) - 1][0], $b[count($b) - 1][0]);
        $stops = [$from, $to];
        foreach ([...$a, ...$b] as [$along]) {
            if ($along > $from && $along < $to) {
                $stops[] = $along;
            }
        }
        if ($to <= $from) {
            return [];
        }
        sort($stops);
        $parts = [];
        [$i, $j] = [0, 0];
        for ($k = 1; $k < count($stops); $k++) {
            [$p, $q] = [$stops[$k - 1], $stops[$k]];
            if ($q <= $p) {
                continue;
            }
            $middle = ($p + $q) / 2;
            while ($a[$i + 1][0] < $middle) {
                $i++;
            }
            while ($b[$j + 1][0] < $middle) {
                $j++;
            }
            $parts[] = [
                $p, self::at($a[$i], $a[$i + 1], $p) - self::at($b[$j], $b[$j + 1], $p),
                $q, self::at($a[$i], $a[$i + 1], $q) - self::at($b[$j], $b[$j + 1], $q),
            ];
        }

        return $parts;
    }

    /**
     * Where both are at one height, along the section.
     *
     * @param  list<array{float, float}>  $a
     * @param  list<array{float, float}>  $b
     * @return list<array{float, float}> metres along, and the height
     */
    public static function meetings(array $a, array $b): array
    {
        $met = [];
        foreach (self::of($a, $b) as [$from, $d, $to, $e]) {
            if ($d === 0.0 || $d < 0.0 !== $e < 0.0) {
                $along = $d === $e ? $from : $from + ($to - $from) * $d / ($d - $e);
                if ($met === [] || $along - $met[count($met) - 1][0] > 1e-6) {
                    $met[] = [$along, self::heightAt($a, $along)];
                }
            }
        }

        return $met;
    }

    /** @param  list<array{float, float}>  $line */
    public static function heightAt(array $line, float $along): float
    {
        for ($i = 1; $i < count($line) - 1 && $line[$i][0] < $along;) {
            $i++;
        }

        return self::at($line[$i - 1], $line[$i], $along);
    }

    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     */
    private static function at(array $from, array $to, float $along): float
    {
        return $to[0] === $from[0] ? $to[1] : $from[1] + ($to[1] - $from[1]) * ($along - $from[0]) / ($to[0] - $from[0]);
    }
}
