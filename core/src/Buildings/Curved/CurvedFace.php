<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Curved;

use Parlay\Core\Civil\Surfaces\Constraints;
use Parlay\Core\Civil\Surfaces\Delaunay;
use Parlay\Core\Civil\Surfaces\NoSurface;
use Parlay\Core\Geometry\Space;

/**
 * A piece of a curved surface within its bounds, as triangles. Its bounds are laid out flat by u and v; places within them lie on a grid so
 * fine that the surface turns by no more than a piece of a circle between two of them; both are triangulated so that the bounds stay edges.
 *
 * @phpstan-type Laid array{float, float, array{float, float, float}}
 */
final class CurvedFace
{
    /** Corners of its bounds: each place within is held against each of them. */
    public const MOST = 4_000;

    /** What the surface turns by between two places within the bounds, radians. */
    private const TURN = M_PI / 18;

    private const MOST_ACROSS = 60;

    /** Places nearer to a bound than this share of the grid's width are left out: they would make slivers. */
    private const CLEAR = 0.35;

    /** How much longer than wide a cell of the grid is at most. */
    private const LONGEST = 2;

    /** What is smaller than this in the flat has no area, metres². */
    private const NOTHING = 1e-10;

    private float $wide = 1.0;

    private float $high = 1.0;

    private function __construct(private readonly CurvedSurface $surface) {}

    /**
     * @param  non-empty-list<list<array{float, float, float}>>  $loops  the outer bound first, where there is one; each turns to the left of what it bounds, seen from outside
     * @param  bool  $along  the outside is where the surface's own normal shows, u to v
     * @return list<array{array{float, float, float}, array{float, float, float}, array{float, float, float}}> that turn as the outer bound does
     *
     * @throws NoSurface where the bounds cross one another
     */
    public static function triangles(CurvedSurface $surface, array $loops, bool $along): array
    {
        $self = new self($surface);
        $flat = array_map($self->laid(...), $loops);
        // Bounds about the tube of an elbow go round v: the other way about, they go round u.
        $aboutTube = array_filter($flat, static fn (array $b): bool => $self->turns($b, 1) !== 0) !== [] && array_filter($flat, static fn (array $b): bool => $self->turns($b) !== 0) === [];
        if ($aboutTube) {
            return self::triangles(new Exchanged($surface), $loops, ! $along);
        }
        $bounds = $self->closed($flat, $along);
        if ($bounds === []) {
            return [];
        }

        return $self->cut($bounds);
    }

    /**
     * A bound by u and v, going on without a jump; at a pole it goes from the u it came with to the u it leaves with.
     *
     * @param  list<array{float, float, float}>  $loop
     * @return list<Laid> u, v and the place
     */
    private function laid(array $loop): array
    {
        $poles = $this->surface->poles();
        $all = [];
        foreach ($loop as $p) {
            [$u, $v] = $this->surface->nearest($p);
            $pole = array_filter($poles, static fn (?float $at): bool => $at !== null && abs($v - $at) < 1e-6) !== [];
            $all[] = [$pole ? null : $u, $v, $p];
        }
        $known = array_values(array_filter(array_column($all, 0), static fn (?float $u): bool => $u !== null));
        $count = count($all);
        $flat = [];
        foreach ($all as $k => [$u, $v, $p]) {
            if ($u !== null) {
                $flat[] = [$u, $v, $p];

                continue;
            }
            $flat[] = [$all[($k - 1 + $count) % $count][0] ?? $known[0] ?? 0.0, $v, $p];
            $flat[] = [$all[($k + 1) % $count][0] ?? $known[0] ?? 0.0, $v, $p];
        }

        return $this->goingOn($flat);
    }

    /**
     * @param  list<Laid>  $flat
     * @return list<Laid>
     */
    private function goingOn(array $flat): array
    {
        [$uPeriod, $vPeriod] = $this->surface->periods();
        for ($k = 1; $k < count($flat); $k++) {
            $flat[$k][0] += $uPeriod === null ? 0.0 : $uPeriod * round(($flat[$k - 1][0] - $flat[$k][0]) / $uPeriod);
            $flat[$k][1] += $vPeriod === null ? 0.0 : $vPeriod * round(($flat[$k - 1][1] - $flat[$k][1]) / $vPeriod);
        }

        return $flat;
    }

    /**
     * Bounds that go round the surface are joined with one another, or with the pole they go round, to one that does not.
     *
     * @param  list<list<Laid>>  $flat
     * @return list<list<Laid>> the outer one first
     *
     * @throws NoSurface where they leave nothing bounded
     */
    private function closed(array $flat, bool $along): array
    {
        $round = $plain = [];
        foreach ($flat as $bound) {
            $turns = $this->turns($bound);
            $turns === 0 ? $plain[] = $bound : $round[] = [$bound, $turns];
        }
        if (count($round) === 2) {
            [[$one, $turns], [$other, $back]] = $round;

            return $this->withHoles($this->band($one, $turns, $turns * $back > 0 ? array_reverse($other) : $other), $plain);
        }
        if (count($round) === 1) {
            return $this->withHoles($this->cap($round[0][0], $round[0][1], $along), $plain);
        }
        if ($plain !== [] && abs(self::area($plain[0])) > self::NOTHING * 1e-2) {
            return $this->withHoles($plain[0], array_slice($plain, 1));
        }

        return $this->whole();
    }

    /**
     * How often a bound goes round u, or v, and which way.
     *
     * @param  list<Laid>  $bound
     * @param  0|1  $axis
     */
    private function turns(array $bound, int $axis = 0): int
    {
        $period = $this->surface->periods()[$axis];
        if ($period === null || count($bound) < 3) {
            return 0;
        }
        [$first, $last] = [$bound[0][$axis], $bound[count($bound) - 1][$axis]];

        return (int) round(($last - $first + self::short($first - $last, $period)) / $period);
    }

    private static function short(float $d, float $period): float
    {
        return $d - $period * round($d / $period);
    }

    /**
     * @param  list<Laid>  $one
     * @param  list<Laid>  $other  going round the other way
     * @return list<Laid>
     */
    private function band(array $one, int $turns, array $other): array
    {
        $period = (float) $this->surface->periods()[0];
        $one[] = [$one[0][0] + $turns * $period, $one[0][1], $one[0][2]];
        $other[] = [$other[0][0] - $turns * $period, $other[0][1], $other[0][2]];
        $shift = $period * round(($one[count($one) - 1][0] - $other[0][0]) / $period);
        $other = array_map(static fn (array $p): array => [$p[0] + $shift, $p[1], $p[2]], $other);
        $seam = $this->between($one[count($one) - 1], $other[0]);
        $back = array_map(static fn (array $p): array => [$p[0] - $turns * $period, $p[1], $p[2]], array_reverse($seam));

        return [...$one, ...$seam, ...$other, ...$back];
    }

    /**
     * @param  list<Laid>  $bound
     * @return list<Laid>
     */
    private function cap(array $bound, int $turns, bool $along): array
    {
        $period = (float) $this->surface->periods()[0];
        [$low, $high] = $this->surface->poles();
        // What is bounded lies to the left: above a bound along u, where the normal shows outside.
        $pole = ($turns > 0) === $along ? $high ?? $low : $low ?? $high;
        $bound[] = [$bound[0][0] + $turns * $period, $bound[0][1], $bound[0][2]];
        $end = $bound[count($bound) - 1];
        if ($pole === null) {
            throw NoSurface::notTriangulated();
        }
        $top = $this->surface->at($end[0], $pole);
        $seam = $this->between($end, [$end[0], $pole, $top]);
        $back = array_map(static fn (array $p): array => [$p[0] - $turns * $period, $p[1], $p[2]], array_reverse($seam));

        return [...$bound, ...$seam, [$end[0], $pole, $top], [$end[0] - $turns * $period, $pole, $top], ...$back];
    }

    /** @return list<list<Laid>> of a surface that nothing bounds */
    private function whole(): array
    {
        [$period] = $this->surface->periods();
        [$low, $high] = $this->surface->poles();
        if ($period === null || $low === null || $high === null) {
            return [];
        }
        [$bottom, $top] = [$this->surface->at(0.0, $low), $this->surface->at(0.0, $high)];
        $seam = $this->between([$period, $low, $bottom], [$period, $high, $top]);
        $back = array_map(static fn (array $p): array => [$p[0] - $period, $p[1], $p[2]], array_reverse($seam));

        return [[[0.0, $low, $bottom], [$period, $low, $bottom], ...$seam, [$period, $high, $top], [0.0, $high, $top], ...$back]];
    }

    /**
     * Places between two, so near to one another that the surface turns little.
     *
     * @param  Laid  $a
     * @param  Laid  $b
     * @return list<Laid>
     */
    private function between(array $a, array $b): array
    {
        $at = static fn (float $t): array => [$a[0] + $t * ($b[0] - $a[0]), $a[1] + $t * ($b[1] - $a[1])];
        $pieces = $this->pieces(fn (float $t): array => $this->surface->at(...$at($t)));
        $places = [];
        for ($k = 1; $k < $pieces; $k++) {
            [$u, $v] = $at($k / $pieces);
            $places[] = [$u, $v, $this->surface->at($u, $v)];
        }

        return $places;
    }

    /**
     * @param  list<Laid>  $outer
     * @param  list<list<Laid>>  $holes
     * @return list<list<Laid>>
     */
    private function withHoles(array $outer, array $holes): array
    {
        if (count($outer) < 3) {
            return [];
        }
        [$uPeriod, $vPeriod] = $this->surface->periods();
        [[$u0, $u1], [$v0, $v1]] = self::reach($outer);
        foreach ($holes as $h => $hole) {
            [[$hu0, $hu1], [$hv0, $hv1]] = self::reach($hole);
            $du = $uPeriod === null ? 0.0 : $uPeriod * round(($u0 + $u1 - $hu0 - $hu1) / 2 / $uPeriod);
            $dv = $vPeriod === null ? 0.0 : $vPeriod * round(($v0 + $v1 - $hv0 - $hv1) / 2 / $vPeriod);
            $holes[$h] = array_map(static fn (array $p): array => [$p[0] + $du, $p[1] + $dv, $p[2]], $hole);
        }

        return [$outer, ...$holes];
    }

    /**
     * Values between two, so many pieces apart; where they count corners of a line, at its corners as far as those are not too many.
     *
     * @return list<float>
     */
    private static function valuesBetween(float $from, float $to, int $pieces, bool $corners): array
    {
        $stops = [$from];
        if ($corners && $to - $from <= self::MOST_ACROSS) {
            for ($k = floor($from + 1e-9) + 1.0; $k < $to - 1e-9; $k++) {
                $stops[] = $k;
            }
        }
        $stops[] = $to;
        $values = [];
        $each = max(1, (int) ceil($pieces / (count($stops) - 1) - 1e-9));
        for ($k = 1; $k < count($stops); $k++) {
            for ($i = $k === 1 ? 1 : 0; $i < $each; $i++) {
                $values[] = $stops[$k - 1] + ($stops[$k] - $stops[$k - 1]) * $i / $each;
            }
        }

        return $values;
    }

    /**
     * @param  list<Laid>  $bound
     * @return array{array{float, float}, array{float, float}} least and greatest u, and v
     */
    private static function reach(array $bound): array
    {
        [$us, $vs] = [array_column($bound, 0), array_column($bound, 1)];

        return $us === [] || $vs === [] ? [[0.0, 0.0], [0.0, 0.0]] : [[min($us), max($us)], [min($vs), max($vs)]];
    }

    /**
     * @param  non-empty-list<list<Laid>>  $bounds
     * @return list<array{array{float, float, float}, array{float, float, float}, array{float, float, float}}>
     */
    private function cut(array $bounds): array
    {
        [[$u0, $u1], [$v0, $v1]] = self::reach($bounds[0]);
        if ($u1 - $u0 <= 0.0 || $v1 - $v0 <= 0.0) {
            return [];
        }
        [$um, $vm] = [($u0 + $u1) / 2, ($v0 + $v1) / 2];
        $across = $this->pieces(fn (float $t): array => $this->surface->at($u0 + $t * ($u1 - $u0), $vm));
        $up = $this->pieces(fn (float $t): array => $this->surface->at($um, $v0 + $t * ($v1 - $v0)));
        // As long in the flat as in space, about: triangles that are well shaped there are so here.
        [$width, $height] = [$this->length($u0, $vm, $u1, $vm), $this->length($um, $v0, $um, $v1)];
        [$this->wide, $this->high] = [$width / ($u1 - $u0), $height / ($v1 - $v0)];
        // No cell much longer than it is wide, or a triangle reaches across many of them where the surface is straight one way and round the other.
        [$across, $up] = [
            $up > 1 ? max($across, min(self::MOST_ACROSS, (int) ceil($width / (self::LONGEST * $height / $up)))) : $across,
            $across > 1 ? max($up, min(self::MOST_ACROSS, (int) ceil($height / (self::LONGEST * $width / $across)))) : $up,
        ];
        $x = $y = $places = $edges = [];
        foreach ($bounds as $bound) {
            $first = count($places);
            foreach ($bound as [$u, $v, $p]) {
                [$x[], $y[], $places[]] = [($u - $u0) * $this->wide, ($v - $v0) * $this->high, $p];
            }
            for ($k = $first, $n = count($places); $k < $n; $k++) {
                $edges[] = [$k, $k + 1 < $n ? $k + 1 : $first];
            }
        }
        $clear = self::CLEAR * min($width / $across, $height / $up);
        [$uCorners, $vCorners] = $this->surface->corners();
        $rows = self::valuesBetween($v0, $v1, $up, $vCorners);
        foreach (self::valuesBetween($u0, $u1, $across, $uCorners) as $u) {
            foreach ($rows as $v) {
                [$px, $py] = [($u - $u0) * $this->wide, ($v - $v0) * $this->high];
                if (self::isWithin($px, $py, $x, $y, $edges, $clear)) {
                    [$x[], $y[], $places[]] = [$px, $py, $this->surface->at($u, $v)];
                }
            }
        }

        return $this->kept($x, $y, $edges, $places, self::area($bounds[0]) > 0.0);
    }

    /**
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<array{int, int}>  $edges
     * @param  list<array{float, float, float}>  $places
     * @return list<array{array{float, float, float}, array{float, float, float}, array{float, float, float}}>
     */
    private function kept(array $x, array $y, array $edges, array $places, bool $left): array
    {
        $mesh = Delaunay::of($x, $y);
        $constraints = new Constraints($mesh);
        foreach ($edges as [$a, $b]) {
            if ($x[$a] !== $x[$b] || $y[$a] !== $y[$b]) {
                $constraints->add($a, $b);
            }
        }
        $triangles = [];
        foreach (array_chunk($mesh->corner, 3) as [$a, $b, $c]) {
            if (! self::isWithin(($x[$a] + $x[$b] + $x[$c]) / 3, ($y[$a] + $y[$b] + $y[$c]) / 3, $x, $y, $edges, 0.0)) {
                continue;
            }
            $turn = ($x[$b] - $x[$a]) * ($y[$c] - $y[$a]) - ($x[$c] - $x[$a]) * ($y[$b] - $y[$a]);
            $triangles[] = ($turn > 0.0) === $left ? [$places[$a], $places[$b], $places[$c]] : [$places[$a], $places[$c], $places[$b]];
        }

        return $triangles;
    }

    /**
     * By how many bounds lie to the right of a place, and none nearer than it is to keep clear of.
     *
     * @param  list<float>  $x
     * @param  list<float>  $y
     * @param  list<array{int, int}>  $edges
     */
    private static function isWithin(float $px, float $py, array $x, array $y, array $edges, float $clear): bool
    {
        $inside = false;
        foreach ($edges as [$a, $b]) {
            [$ax, $ay, $bx, $by] = [$x[$a], $y[$a], $x[$b], $y[$b]];
            if (($ay > $py) !== ($by > $py) && $px < $ax + ($py - $ay) / ($by - $ay) * ($bx - $ax)) {
                $inside = ! $inside;
            }
            if ($clear > 0.0) {
                [$dx, $dy] = [$bx - $ax, $by - $ay];
                $square = $dx * $dx + $dy * $dy;
                $t = $square > 0.0 ? max(0.0, min(1.0, (($px - $ax) * $dx + ($py - $ay) * $dy) / $square)) : 0.0;
                if (hypot($px - $ax - $t * $dx, $py - $ay - $t * $dy) < $clear) {
                    return false;
                }
            }
        }

        return $inside;
    }

    /** So many that a line turns by no more than TURN from one to the next. @param  \Closure(float): array{float, float, float}  $at  from 0 to 1 */
    private function pieces(\Closure $at): int
    {
        $turn = 0.0;
        $before = $way = null;
        for ($k = 0; $k <= 24; $k++) {
            $place = $at($k / 24);
            $next = $before === null ? null : Space::unit(Space::way($before, $place));
            if ($way !== null && $next !== null) {
                $turn += atan2(Space::length(Space::cross($way, $next)), Space::dot($way, $next));
            }
            $way = $next ?? $way;
            $before = $place;
        }

        return max(1, min(self::MOST_ACROSS, (int) ceil($turn / self::TURN - 1e-6)));
    }

    private function length(float $u0, float $v0, float $u1, float $v1): float
    {
        $length = 0.0;
        $before = $this->surface->at($u0, $v0);
        for ($k = 1; $k <= 8; $k++) {
            $place = $this->surface->at($u0 + ($u1 - $u0) * $k / 8, $v0 + ($v1 - $v0) * $k / 8);
            $length += Space::length(Space::way($before, $place));
            $before = $place;
        }

        return max(1e-6, $length);
    }

    /**
     * Above 0 where it turns to the left, u to v.
     *
     * @param  list<Laid>  $bound
     */
    private static function area(array $bound): float
    {
        $twice = 0.0;
        $before = $bound[count($bound) - 1] ?? [0.0, 0.0];
        foreach ($bound as $p) {
            $twice += $before[0] * $p[1] - $p[0] * $before[1];
            $before = $p;
        }

        return $twice / 2;
    }
}
