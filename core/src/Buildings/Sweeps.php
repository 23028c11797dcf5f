<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

use Parlay\Core\Geometry\Space;

/** Solids that a profile leaves behind where it is turned about an axis, or led along a line. */
final class Sweeps
{
    /** Corners nearer than this are one, metres. */
    private const SAME = 1e-7;

    /**
     * A profile turned about an axis in its own plane.
     *
     * @param  array{float, float}  $on  a place of the axis
     * @param  array{float, float}  $along  its direction, of length 1
     * @param  float  $angle  radians, right-handed about that direction; a whole turn at most
     */
    public static function revolved(Profile $profile, array $on, array $along, float $angle): Solid
    {
        $whole = abs($angle) > 2 * M_PI - 1e-9;
        $steps = max(1, (int) ceil(abs($angle) / (2 * M_PI) * Loop::PIECES - 1e-6));
        $rings = $whole ? $steps : $steps + 1;
        $corners = $faces = $ends = [];
        foreach ([$profile->outline, ...$profile->voids] as $loop) {
            $first = count($corners);
            $count = count($loop->corners);
            for ($r = 0; $r < $rings; $r++) {
                [$cos, $sin] = [cos($angle * $r / $steps), sin($angle * $r / $steps)];
                foreach ($loop->corners as [$x, $y]) {
                    $t = ($x - $on[0]) * $along[0] + ($y - $on[1]) * $along[1];
                    [$fx, $fy] = [$on[0] + $t * $along[0], $on[1] + $t * $along[1]];
                    // Turned, what lay in the plane rises square to it by the sine: direction × axis is the plane's normal.
                    $out = ($x - $fx) * $along[1] - ($y - $fy) * $along[0];
                    $corners[] = [$fx + $cos * ($x - $fx), $fy + $cos * ($y - $fy), -$sin * $out];
                }
            }
            for ($r = 0; $r < $steps; $r++) {
                [$a, $b] = [$first + $r * $count, $first + ($r + 1) % $rings * $count];
                for ($k = 0; $k < $count; $k++) {
                    $n = ($k + 1) % $count;
                    self::face($faces, $corners, [$a + $k, $a + $n, $b + $n, $b + $k]);
                }
            }
            $ends[0][] = array_reverse(range($first, $first + $count - 1));
            $ends[1][] = range($first + ($rings - 1) * $count, $first + $rings * $count - 1);
        }
        foreach ($whole ? [] : $ends as $loops) {
            $faces[] = new Face($loops[0], array_slice($loops, 1));
        }

        return (new Solid($corners, $faces))->insideIn();
    }

    /**
     * A circle led along a line, mitred at its corners: a bar, or a pipe.
     *
     * @param  list<array{float, float, float}>  $places  of the line, metres
     * @param  float|null  $inner  radius of the hollow in it
     */
    public static function pipe(array $places, float $radius, ?float $inner): ?Solid
    {
        $places = self::apart($places);
        $last = count($places) - 1;
        if ($last < 1) {
            return null;
        }
        $corners = $faces = $round = $ends = [];
        foreach ($inner === null || $inner <= 0.0 || $inner >= $radius ? [$radius] : [$radius, $inner] as $hollow => $r) {
            $first = count($corners);
            $across = self::anyAcross(self::step($places[0], $places[1]));
            foreach ($places as $i => $p) {
                $in = self::step($places[max(0, $i - 1)], $places[max(1, $i)]);
                $out = self::step($places[min($last - 1, $i)], $places[min($last, $i + 1)]);
                // Carried on square to the way in; each corner lies on its line along that way, where it meets the plane that halves the bend.
                $across = Space::unit(Space::plus($across, $in, -Space::dot($across, $in))) ?? $across;
                $up = Space::cross($in, $across);
                $mitre = Space::unit(Space::plus($in, $out)) ?? $in;
                $slope = max(0.05, Space::dot($in, $mitre));
                for ($k = 0; $k < Loop::PIECES; $k++) {
                    [$c, $s] = [$r * cos(2 * M_PI * $k / Loop::PIECES), $r * sin(2 * M_PI * $k / Loop::PIECES)];
                    $v = [$c * $across[0] + $s * $up[0], $c * $across[1] + $s * $up[1], $c * $across[2] + $s * $up[2]];
                    $t = -Space::dot($v, $mitre) / $slope;
                    $corners[] = [$p[0] + $v[0] + $t * $in[0], $p[1] + $v[1] + $t * $in[1], $p[2] + $v[2] + $t * $in[2]];
                }
                // The same corners again, seen along the way out.
                $across = self::carried($across, $in, $out);
            }
            for ($i = 0; $i < $last; $i++) {
                $of = count($round);
                $round[] = new RoundFace($places[$i], $places[$i + 1], $r, $hollow === 1);
                for ($k = 0; $k < Loop::PIECES; $k++) {
                    $n = ($k + 1) % Loop::PIECES;
                    [$a, $b] = [$first + $i * Loop::PIECES, $first + ($i + 1) * Loop::PIECES];
                    $side = [$a + $k, $a + $n, $b + $n, $b + $k];
                    $faces[] = new Face($hollow === 1 ? array_reverse($side) : $side, [], $of);
                }
            }
            $begin = range($first, $first + Loop::PIECES - 1);
            $end = range($first + $last * Loop::PIECES, $first + ($last + 1) * Loop::PIECES - 1);
            $ends[0][] = $hollow === 1 ? $begin : array_reverse($begin);
            $ends[1][] = $hollow === 1 ? array_reverse($end) : $end;
        }
        foreach ($ends as $loops) {
            $faces[] = new Face($loops[0], array_slice($loops, 1));
        }

        return new Solid($corners, $faces, $round);
    }

    /**
     * A side, without corners that are one; none where nothing is left of it.
     *
     * @param  list<Face>  $faces
     * @param  list<array{float, float, float}>  $corners
     * @param  list<int>  $loop
     */
    private static function face(array &$faces, array $corners, array $loop): void
    {
        $kept = [];
        foreach ($loop as $k => $i) {
            $j = $loop[($k + 1) % count($loop)];
            if (abs($corners[$i][0] - $corners[$j][0]) + abs($corners[$i][1] - $corners[$j][1]) + abs($corners[$i][2] - $corners[$j][2]) > self::SAME) {
                $kept[] = $i;
            }
        }
        if (count($kept) >= 3) {
            $faces[] = new Face($kept);
        }
    }

    /**
     * @param  list<array{float, float, float}>  $places
     * @return list<array{float, float, float}>
     */
    private static function apart(array $places): array
    {
        $kept = [];
        foreach ($places as $p) {
            $before = end($kept);
            if ($before === false || abs($before[0] - $p[0]) + abs($before[1] - $p[1]) + abs($before[2] - $p[2]) > self::SAME) {
                $kept[] = $p;
            }
        }

        return $kept;
    }

    /**
     * A direction square to one way, as it is square to the next: what turns the one onto the other turns it, too.
     *
     * @param  array{float, float, float}  $across
     * @param  array{float, float, float}  $in
     * @param  array{float, float, float}  $out
     * @return array{float, float, float}
     */
    private static function carried(array $across, array $in, array $out): array
    {
        $sum = Space::plus($in, $out);
        $square = Space::dot($sum, $sum);
        if ($square < 1e-12) {
            return $across;
        }
        // Two mirrorings are one turning.
        $once = Space::plus($across, $in, -2 * Space::dot($across, $in));

        return Space::plus($once, $sum, -2 * Space::dot($once, $sum) / $square);
    }

    /**
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @return array{float, float, float}
     */
    private static function step(array $a, array $b): array
    {
        return Space::unit(Space::way($a, $b)) ?? [0.0, 0.0, 1.0];
    }

    /**
     * @param  array{float, float, float}  $way
     * @return array{float, float, float}
     */
    private static function anyAcross(array $way): array
    {
        return Space::unit(Space::cross($way, abs($way[2]) < 0.9 ? [0.0, 0.0, 1.0] : [1.0, 0.0, 0.0])) ?? [1.0, 0.0, 0.0];
    }
}
