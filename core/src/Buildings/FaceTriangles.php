<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

use Parlay\Core\Civil\Surfaces\Constraints;
use Parlay\Core\Civil\Surfaces\Delaunay;
use Parlay\Core\Civil\Surfaces\Mesh;
use Parlay\Core\Civil\Surfaces\NoSurface;

/**
 * A face cut into triangles. Holes are joined to the outline by a bridge from their rightmost corner (D. Eberly, "Triangulation by ear
 * clipping", 2002, recalled); then ears are cut off (G. H. Meisters, "Polygons have ears", 1975).
 */
final class FaceTriangles
{
    /** Corners of a face that is not convex: ears take the square of them. */
    private const MOST = 4_000;

    /** Corners of a face that nobody would wait for, or have the memory for. */
    public const MOST_SWEPT = 200_000;

    /** Of more corners a Delaunay triangulation with the sides as its edges is made. */
    private const MANY = 400;

    /** @var array<int, float> */
    private array $u = [];

    /** @var array<int, float> */
    private array $v = [];

    /**
     * @param  list<array{float, float, float}>  $corners
     * @return list<int> three corners to each triangle, which turn as the outline does; none of a face without area
     *
     * @throws TooManyFaces where it has so many corners that nobody would wait for it
     */
    public static function of(array $corners, Face $face): array
    {
        $loop = $face->outline;
        $count = count($loop);
        if ($count < 3) {
            return [];
        }
        if ($count === 3 && $face->holes === []) {
            return $loop;
        }
        $normal = self::normal($corners, $loop);
        if ($normal === [0.0, 0.0, 0.0]) {
            return [];
        }
        $self = new self;
        $self->look($corners, $face, $normal);
        if ($face->holes === [] && $self->convex($loop)) {
            $triangles = [];
            for ($i = 2; $i < $count; $i++) {
                array_push($triangles, $loop[0], $loop[$i - 1], $loop[$i]);
            }

            return $triangles;
        }

        $all = array_sum(array_map(count(...), $face->holes)) + $count;
        if ($all > self::MOST_SWEPT) {
            throw new TooManyFaces($all);
        }
        $swept = $all > self::MANY ? $self->swept([$loop, ...$face->holes]) : null;
        if ($swept !== null) {
            return $swept;
        }

        return $all <= self::MOST ? $self->ears($self->bridged($loop, $face->holes)) : throw new TooManyFaces($all);
    }

    /**
     * Whether it has no holes, and bends to the left at every corner on its way once round.
     *
     * @param  list<array{float, float, float}>  $corners
     */
    public static function isConvex(array $corners, Face $face): bool
    {
        if ($face->holes !== [] || count($face->outline) < 3) {
            return false;
        }
        $self = new self;
        $self->look($corners, $face, self::normal($corners, $face->outline));

        return $self->convex($face->outline);
    }

    /**
     * Along the axis that is nearest to the normal, from the side where the outline turns to the left.
     *
     * @param  list<array{float, float, float}>  $corners
     * @param  array{float, float, float}  $normal
     */
    private function look(array $corners, Face $face, array $normal): void
    {
        [$a, $b, $sign] = match (max(abs($normal[0]), abs($normal[1]), abs($normal[2]))) {
            abs($normal[2]) => [0, 1, $normal[2]],
            abs($normal[0]) => [1, 2, $normal[0]],
            default => [2, 0, $normal[1]],
        };
        foreach ([$face->outline, ...$face->holes] as $l) {
            foreach ($l as $i) {
                $this->u[$i] = $sign > 0.0 ? $corners[$i][$a] : -$corners[$i][$a];
                $this->v[$i] = $corners[$i][$b];
            }
        }
    }

    /**
     * Inside is what lies behind an odd number of sides from the rim.
     *
     * @param  non-empty-list<list<int>>  $loops
     * @return list<int>|null null where corners lie so close, or sides cross, that ears have to do
     */
    private function swept(array $loops): ?array
    {
        $numbers = array_merge(...$loops);
        try {
            $mesh = Delaunay::of(array_map(fn (int $i): float => $this->u[$i], $numbers), array_map(fn (int $i): float => $this->v[$i], $numbers));
            $sides = new Constraints($mesh);
            $first = 0;
            foreach ($loops as $loop) {
                $count = count($loop);
                for ($k = 0; $k < $count; $k++) {
                    $sides->add($first + $k, $first + ($k + 1) % $count);
                }
                $first += $count;
            }
        } catch (NoSurface) {
            return null;
        }
        $inside = self::behind($mesh, $sides);
        $triangles = [];
        foreach ($inside as $t => $in) {
            if ($in) {
                [$a, $b, $c] = [$numbers[$mesh->corner[3 * $t]], $numbers[$mesh->corner[3 * $t + 1]], $numbers[$mesh->corner[3 * $t + 2]]];
                array_push($triangles, $a, ...($this->turn($a, $b, $c) >= 0.0 ? [$b, $c] : [$c, $b]));
            }
        }

        return $triangles;
    }

    /** @return array<int, bool> by triangle, whether it lies behind an odd number of sides */
    private static function behind(Mesh $mesh, Constraints $sides): array
    {
        $inside = $waiting = [];
        foreach ($mesh->twin as $edge => $twin) {
            if ($twin < 0 && ! isset($inside[intdiv($edge, 3)])) {
                $inside[intdiv($edge, 3)] = $sides->isFixed($edge);
                $waiting[] = intdiv($edge, 3);
            }
        }
        while ($waiting !== []) {
            $t = array_pop($waiting);
            foreach ([3 * $t, 3 * $t + 1, 3 * $t + 2] as $edge) {
                $next = $mesh->twin[$edge] < 0 ? null : intdiv($mesh->twin[$edge], 3);
                if ($next !== null && ! isset($inside[$next])) {
                    $inside[$next] = $inside[$t] !== $sides->isFixed($edge);
                    $waiting[] = $next;
                }
            }
        }

        return $inside;
    }

    /**
     * M. E. Newell's: twice the area seen along each axis.
     *
     * @param  list<array{float, float, float}>  $corners
     * @param  list<int>  $loop
     * @return array{float, float, float}
     */
    public static function normal(array $corners, array $loop): array
    {
        [$ox, $oy, $oz] = $corners[$loop[0]];
        $x = $y = $z = 0.0;
        [$px, $py, $pz] = $corners[$loop[count($loop) - 1]];
        [$px, $py, $pz] = [$px - $ox, $py - $oy, $pz - $oz];
        foreach ($loop as $i) {
            $qx = $corners[$i][0] - $ox;
            $qy = $corners[$i][1] - $oy;
            $qz = $corners[$i][2] - $oz;
            $x += $py * $qz - $pz * $qy;
            $y += $pz * $qx - $px * $qz;
            $z += $px * $qy - $py * $qx;
            [$px, $py, $pz] = [$qx, $qy, $qz];
        }

        return [$x, $y, $z];
    }

    /** @param  list<int>  $loop */
    private function convex(array $loop): bool
    {
        $count = count($loop);
        for ($i = 0; $i < $count; $i++) {
            if ($this->turn($loop[$i], $loop[($i + 1) % $count], $loop[($i + 2) % $count]) <= 0.0) {
                return false;
            }
        }

        // One that goes round more than once turns to the left everywhere, too.
        return $count < 5 || $this->onceRound($loop);
    }

    /** @param  list<int>  $loop */
    private function onceRound(array $loop): bool
    {
        $count = count($loop);
        $changes = 0;
        $before = $this->u[$loop[0]] - $this->u[$loop[$count - 1]];
        for ($i = 0; $i < $count; $i++) {
            $step = $this->u[$loop[($i + 1) % $count]] - $this->u[$loop[$i]];
            if ($step !== 0.0) {
                $changes += $step * $before < 0.0 ? 1 : 0;
                $before = $step;
            }
        }

        return $changes <= 3;
    }

    private function turn(int $a, int $b, int $c): float
    {
        return ($this->u[$b] - $this->u[$a]) * ($this->v[$c] - $this->v[$a]) - ($this->v[$b] - $this->v[$a]) * ($this->u[$c] - $this->u[$a]);
    }

    /**
     * One loop of outline and holes, with a bridge there and back to each.
     *
     * @param  list<int>  $loop
     * @param  list<list<int>>  $holes
     * @return list<int>
     */
    private function bridged(array $loop, array $holes): array
    {
        $right = fn (array $hole): int => (int) array_reduce(
            array_keys($hole), fn (?int $best, int $k): int => $best === null || $this->u[$hole[$k]] > $this->u[$hole[$best]] ? $k : $best,
        );
        $holes = array_values(array_filter($holes, static fn (array $h) => count($h) >= 3));
        usort($holes, fn (array $g, array $h): int => $this->u[$h[$right($h)]] <=> $this->u[$g[$right($g)]]);
        foreach ($holes as $hole) {
            $from = $right($hole);
            $to = $this->seen($loop, $hole[$from]);
            $around = [...array_slice($hole, $from), ...array_slice($hole, 0, $from + 1)];
            $loop = [...array_slice($loop, 0, $to + 1), ...$around, ...array_slice($loop, $to)];
        }

        return $loop;
    }

    /**
     * Which corner of a loop a place within it sees to its right.
     *
     * @param  list<int>  $loop
     */
    private function seen(array $loop, int $place): int
    {
        $count = count($loop);
        [$u, $v] = [$this->u[$place], $this->v[$place]];
        $hit = INF;
        $best = 0;
        for ($i = 0; $i < $count; $i++) {
            [$a, $b] = [$loop[$i], $loop[($i + 1) % $count]];
            if ($this->v[$a] === $this->v[$b] || min($this->v[$a], $this->v[$b]) > $v || max($this->v[$a], $this->v[$b]) < $v) {
                continue;
            }
            $x = $this->u[$a] + ($v - $this->v[$a]) * ($this->u[$b] - $this->u[$a]) / ($this->v[$b] - $this->v[$a]);
            if ($x >= $u && $x < $hit) {
                $hit = $x;
                $best = $this->u[$a] > $this->u[$b] ? $i : ($i + 1) % $count;
            }
        }
        if ($hit === INF) {
            return 0;
        }
        // Of the corners within the triangle of place, hit and that corner, the one nearest in direction is in the way.
        [$cu, $cv] = [$this->u[$loop[$best]], $this->v[$loop[$best]]];
        $steep = INF;
        $found = $best;
        for ($i = 0; $i < $count; $i++) {
            [$pu, $pv] = [$this->u[$loop[$i]], $this->v[$loop[$i]]];
            if ($pu <= $u || ! self::within($pu, $pv, $u, $v, $hit, $v, $cu, $cv)) {
                continue;
            }
            $slope = abs($pv - $v) / ($pu - $u);
            // Of two at one place, as a bridge leaves them, the one that opens this way.
            if ($slope < $steep || ($slope === $steep && $this->opens($loop, $i, $place))) {
                [$steep, $found] = [$slope, $i];
            }
        }

        return $found;
    }

    /** @param  list<int>  $loop */
    private function opens(array $loop, int $at, int $place): bool
    {
        $count = count($loop);
        [$before, $here, $after] = [$loop[($at - 1 + $count) % $count], $loop[$at], $loop[($at + 1) % $count]];

        return $this->turn($before, $here, $after) >= 0.0
            ? $this->turn($here, $place, $before) >= 0.0 && $this->turn($here, $after, $place) >= 0.0
            : $this->turn($here, $place, $after) < 0.0 || $this->turn($here, $before, $place) < 0.0;
    }

    private static function within(float $pu, float $pv, float $au, float $av, float $bu, float $bv, float $cu, float $cv): bool
    {
        $d = ($bu - $au) * ($pv - $av) - ($bv - $av) * ($pu - $au);
        $e = ($cu - $bu) * ($pv - $bv) - ($cv - $bv) * ($pu - $bu);
        $f = ($au - $cu) * ($pv - $cv) - ($av - $cv) * ($pu - $cu);

        return ($d >= 0.0 && $e >= 0.0 && $f >= 0.0) || ($d <= 0.0 && $e <= 0.0 && $f <= 0.0);
    }

    /**
     * @param  list<int>  $loop
     * @return list<int>
     */
    private function ears(array $loop): array
    {
        $triangles = [];
        $at = 0;
        $without = 0;
        while (($count = count($loop)) > 3) {
            $at %= $count;
            [$p, $n] = [($at - 1 + $count) % $count, ($at + 1) % $count];
            [$a, $b, $c] = [$loop[$p], $loop[$at], $loop[$n]];
            $turn = $this->turn($a, $b, $c);
            // Where no ear is left by rounding, whatever is flattest goes.
            if (($turn > 0.0 && $this->isEar($loop, $p, $at, $n)) || $turn === 0.0 || $without > $count) {
                if ($turn > 0.0) {
                    array_push($triangles, $a, $b, $c);
                }
                array_splice($loop, $at, 1);
                $without = 0;
                // The corner after the next, so that ears are cut all around and not as a fan.
                $at++;
            } else {
                $at++;
                $without++;
            }
        }
        if ($count === 3 && $this->turn($loop[0], $loop[1], $loop[2]) > 0.0) {
            array_push($triangles, ...$loop);
        }

        return $triangles;
    }

    /** @param  list<int>  $loop */
    private function isEar(array $loop, int $p, int $at, int $n): bool
    {
        [$a, $b, $c] = [$loop[$p], $loop[$at], $loop[$n]];
        [$au, $av, $bu, $bv, $cu, $cv] = [$this->u[$a], $this->v[$a], $this->u[$b], $this->v[$b], $this->u[$c], $this->v[$c]];
        [$left, $right, $low, $high] = [min($au, $bu, $cu), max($au, $bu, $cu), min($av, $bv, $cv), max($av, $bv, $cv)];
        foreach ($loop as $i) {
            $u = $this->u[$i];
            $v = $this->v[$i];
            if ($u < $left || $u > $right || $v < $low || $v > $high || $i === $a || $i === $b || $i === $c) {
                continue;
            }
            if (($u === $au && $v === $av) || ($u === $bu && $v === $bv) || ($u === $cu && $v === $cv)) {
                continue;
            }
            if (self::within($u, $v, $au, $av, $bu, $bv, $cu, $cv)) {
                return false;
            }
        }

        return true;
    }
}
