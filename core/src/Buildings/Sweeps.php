<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Space;

/** Solids that a profile leaves behind where it is turned about an axis, or led along a line. */
final class Sweeps
{
    /** Corners nearer than this are one, metres. */
    private const SAME = 1e-7;

    /** Sides that curve, of each line of a profile at most. */
    private const BENDS = 100_000;

    /**
     * A profile turned about an axis in its own plane.
     *
     * @param  array{float, float}  $on  a place of the axis
     * @param  array{float, float}  $along  its direction, of length 1
     * @param  float  $angle  radians, right-handed about that direction; a whole turn at most
     * @param  Profile|null  $end  what it becomes on its way, of as many corners
     */
    public static function revolved(Profile $profile, array $on, array $along, float $angle, ?Profile $end = null): Solid
    {
        $whole = abs($angle) > 2 * M_PI - 1e-9;
        $steps = max(1, (int) ceil(abs($angle) / (2 * M_PI) * Loop::PIECES - 1e-6));
        $ring = static function (float $part) use ($profile, $end, $on, $along, $angle): array {
            [$cos, $sin] = [cos($angle * $part), sin($angle * $part)];
            $turned = static function (array $c) use ($on, $along, $cos, $sin): array {
                [$x, $y] = $c;
                $t = ($x - $on[0]) * $along[0] + ($y - $on[1]) * $along[1];
                [$fx, $fy] = [$on[0] + $t * $along[0], $on[1] + $t * $along[1]];
                // Turned, what lay in the plane rises square to it by the sine: direction × axis is the plane's normal.
                $out = ($x - $fx) * $along[1] - ($y - $fy) * $along[0];

                return [$fx + $cos * ($x - $fx), $fy + $cos * ($y - $fy), -$sin * $out];
            };

            return array_map(static fn (array $line): array => array_map($turned, $line), self::outlines($profile, $end, $part));
        };
        $rings = [$ring(0.0)];
        for ($r = 1; $r < ($whole ? $steps : $steps + 1); $r++) {
            $rings[] = $ring($r / $steps);
        }

        return self::skin($rings, $whole, array_map(static fn (Loop $l): array => self::bends($l, $on, $along), [$profile->outline, ...$profile->voids]));
    }

    /**
     * Which sides of a loop leave a face behind that curves, where it is turned: pieces of one arc one together, any other its own. Those square to
     * the axis leave plane ones.
     *
     * @param  array{float, float}  $on
     * @param  array{float, float}  $along
     * @return list<int|null> for each side
     */
    private static function bends(Loop $loop, array $on, array $along): array
    {
        $count = count($loop->corners);
        $sides = $arcs = [];
        $next = 0;
        foreach ($loop->corners as $k => [$x, $y]) {
            [$u, $v] = $loop->corners[($k + 1) % $count];
            $arc = isset($loop->arcs[$k]) ? implode(' ', $loop->arcs[$k]) : null;
            $square = abs(($u - $x) * $along[0] + ($v - $y) * $along[1]) < 1e-9 * max(1.0, hypot($u - $on[0], $v - $on[1]));
            $sides[] = match (true) {
                $arc !== null => $arcs[$arc] ??= --$next,
                $square => null,
                default => --$next,
            };
        }

        return $sides;
    }

    /**
     * A profile led along a line, square to it and mitred at its corners, its x axis always toward one direction; a line that comes back to where it began makes a ring.
     *
     * @param  list<array{float, float, float}>  $places  of the line, metres
     * @param  array{float, float, float}  $reference  of length 1
     * @return Solid|null null where the line is one place, or a leg of it runs along that direction
     */
    public static function led(Profile $profile, array $places, array $reference): ?Solid
    {
        $places = self::apart($places);
        $ring = count($places) > 3 && Space::length(Space::way($places[0], $places[count($places) - 1])) < self::SAME;
        if ($ring) {
            array_pop($places);
        }
        $count = count($places);
        if ($count < 2) {
            return null;
        }
        $rings = [];
        foreach ($places as $i => $p) {
            $in = $i === 0 && ! $ring ? self::step($places[0], $places[1]) : self::step($places[($i - 1 + $count) % $count], $p);
            $out = $i === $count - 1 && ! $ring ? $in : self::step($p, $places[($i + 1) % $count]);
            $x = Space::unit(Space::plus($reference, $in, -Space::dot($reference, $in)));
            if ($x === null || abs(Space::dot($reference, $in)) > 1.0 - 1e-9) {
                return null;
            }
            $y = Space::cross($in, $x);
            $mitre = Space::unit(Space::plus($in, $out)) ?? $in;
            $rings[] = self::stood($profile, Frame::ofAxes(self::mitred($x, $in, $mitre), self::mitred($y, $in, $mitre), $in, $p));
        }

        return self::skin($rings, $ring);
    }

    /**
     * Carried along the way in to the plane that halves a bend.
     *
     * @param  array{float, float, float}  $axis
     * @param  array{float, float, float}  $in
     * @param  array{float, float, float}  $mitre
     * @return array{float, float, float}
     */
    private static function mitred(array $axis, array $in, array $mitre): array
    {
        return Space::plus($axis, $in, -Space::dot($axis, $mitre) / max(0.05, Space::dot($in, $mitre)));
    }

    /**
     * From each profile straight to the next.
     *
     * @param  non-empty-list<Profile>  $profiles  of as many corners each
     * @param  non-empty-list<Frame>  $frames  where each stands: in its x and y
     */
    public static function between(array $profiles, array $frames): Solid
    {
        return self::skin(array_map(self::stood(...), $profiles, $frames), false);
    }

    /**
     * From a loop of the plane z 0 to a place above it.
     *
     * @param  array{float, float, float}  $top
     */
    public static function pointed(Loop $base, array $top): Solid
    {
        $corners = array_map(static fn (array $c): array => [$c[0], $c[1], 0.0], $base->corners);
        $last = count($corners);
        $faces = [new Face(array_reverse(range(0, $last - 1)))];
        for ($k = 0; $k < $last; $k++) {
            $faces[] = new Face([$k, ($k + 1) % $last, $last]);
        }

        return (new Solid([...$corners, $top], $faces))->insideIn();
    }

    /**
     * The lines of a profile a part of the way to another.
     *
     * @return list<list<array{float, float}>>
     */
    private static function outlines(Profile $from, ?Profile $to, float $part): array
    {
        $lines = static fn (Profile $p): array => array_map(static fn (Loop $l): array => $l->corners, [$p->outline, ...$p->voids]);
        if ($to === null) {
            return $lines($from);
        }
        $mix = static fn (array $a, array $b): array => [$a[0] + $part * ($b[0] - $a[0]), $a[1] + $part * ($b[1] - $a[1])];

        return array_map(static fn (array $a, array $b): array => array_map($mix, $a, $b), $lines($from), $lines($to));
    }

    /** @return list<list<array{float, float, float}>> the lines of a profile in space */
    private static function stood(Profile $profile, Frame $frame): array
    {
        return array_map(static fn (array $line): array => array_map(static fn (array $c): array => $frame->point($c[0], $c[1], 0.0), $line), self::outlines($profile, null, 0.0));
    }

    /**
     * The faces from ring to ring, and those that close both ends.
     *
     * @param  non-empty-list<list<list<array{float, float, float}>>>  $rings  of each its lines: the outline, then the voids
     * @param  bool  $whole  the last goes on to the first
     * @param  list<list<int|null>>  $bends  of each line, the number of the curved face that each side of it leaves behind
     */
    private static function skin(array $rings, bool $whole, array $bends = []): Solid
    {
        $corners = new Corners;
        $numbers = array_map(static fn (array $lines): array => array_map(static fn (array $line): array => array_map($corners->number(...), $line), $lines), $rings);
        $faces = [];
        $count = count($rings);
        foreach (array_keys($rings[0]) as $l) {
            for ($r = 0; $r < ($whole ? $count : $count - 1); $r++) {
                [$a, $b] = [$numbers[$r][$l], $numbers[($r + 1) % $count][$l]];
                foreach ($a as $k => $i) {
                    $n = ($k + 1) % count($a);
                    self::face($faces, $corners->all, [$i, $a[$n], $b[$n], $b[$k]], isset($bends[$l][$k]) ? $bends[$l][$k] - self::BENDS * $l : null);
                }
            }
        }
        if (! $whole) {
            $begin = array_map(array_reverse(...), $numbers[0]);
            $faces[] = new Face($begin[0], array_slice($begin, 1));
            $faces[] = new Face($numbers[$count - 1][0], array_slice($numbers[$count - 1], 1));
        }

        return (new Solid($corners->all, $faces))->insideIn();
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
     * A side, without corners that are one: none where nothing is left of it, two where its four corners lie in no plane.
     *
     * @param  list<Face>  $faces
     * @param  list<array{float, float, float}>  $corners
     * @param  array{int, int, int, int}  $side
     */
    private static function face(array &$faces, array $corners, array $side, ?int $bend): void
    {
        $kept = [];
        foreach ($side as $k => $i) {
            if ($i !== $side[($k + 1) % 4]) {
                $kept[] = $i;
            }
        }
        if (count($kept) < 3 || $kept[0] === $kept[2]) {
            return;
        }
        if (count($kept) === 4) {
            [$a, $b, $c, $d] = array_map(static fn (int $i): array => $corners[$i], $kept);
            $normal = Space::unit(Space::cross(Space::way($a, $c), Space::way($b, $d)));
            if ($normal !== null && abs(Space::dot($normal, Space::way($a, $b))) > Corners::SAME) {
                $faces[] = new Face([$kept[0], $kept[1], $kept[2]], [], $bend);
                $faces[] = new Face([$kept[0], $kept[2], $kept[3]], [], $bend);

                return;
            }
        }
        $faces[] = new Face($kept, [], $bend);
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
