<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

/**
 * Edges that a triangulation must have: breaklines and outlines are brought into it by swapping the edges they cross, and what can be
 * Delaunay beside them stays so.
 *
 * Source: S. W. Sloan, "A fast algorithm for generating constrained Delaunay triangulations", Computers & Structures 47 (1993).
 */
final class Constraints
{
    /** @var array<int, true> edges that must stay, both of each pair */
    private array $fixed = [];

    /** @var array<int, int> an edge that leaves each place; -1 where none does */
    private array $leaving;

    public function __construct(private readonly Mesh $mesh)
    {
        $this->leaving = array_fill(0, count($mesh->x), -1);
        foreach ($mesh->corner as $edge => $place) {
            $this->leaving[$place] = $edge;
        }
    }

    /** Whether an edge is one that was wanted. */
    public function isFixed(int $edge): bool
    {
        return isset($this->fixed[$edge]);
    }

    /**
     * Brings in the edge between two places; where others lie on the way, from one to the next.
     *
     * @throws NoSurface where it crosses an edge that was wanted before, or one of its ends is in no triangle
     */
    public function add(int $from, int $to): void
    {
        if ($this->leaving[$from] < 0 || $this->leaving[$to] < 0) {
            throw NoSurface::notTriangulated();
        }
        while ($from !== $to) {
            $from = $this->reach($from, $to);
        }
    }

    /** One edge on the way to a place; gives where it ends. */
    private function reach(int $from, int $to): int
    {
        $m = $this->mesh;
        foreach ($this->around($from) as $edge) {
            $a = $m->corner[Mesh::next($edge)];
            $b = $m->corner[Mesh::previous($edge)];
            foreach ([[$a, $edge], [$b, Mesh::previous($edge)]] as [$place, $along]) {
                if ($place === $to || ($this->mesh->side($from, $to, $place) === 0.0 && $this->isAhead($from, $to, $place))) {
                    $this->fix($along);

                    return $place;
                }
            }
            if ($m->side($from, $to, $a) > 0.0 !== $m->side($from, $to, $b) > 0.0 && $this->isBetween($from, $to, $a, $b)) {
                return $this->cut($from, $to, Mesh::next($edge));
            }
        }
        throw NoSurface::notTriangulated();
    }

    /** Whether the way from one place to another leaves through the edge a–b of a triangle of the first. */
    private function isBetween(int $from, int $to, int $a, int $b): bool
    {
        $left = $this->mesh->side($from, $a, $to);
        $right = $this->mesh->side($from, $b, $to);
        $turn = $this->mesh->side($from, $a, $b);

        return $turn > 0.0 ? $left > 0.0 && $right < 0.0 : $left < 0.0 && $right > 0.0;
    }

    private function isAhead(int $from, int $to, int $place): bool
    {
        $m = $this->mesh;

        return ($m->x[$to] - $m->x[$from]) * ($m->x[$place] - $m->x[$from]) + ($m->y[$to] - $m->y[$from]) * ($m->y[$place] - $m->y[$from]) > 0.0;
    }

    /** Swaps what lies across the way, from the first edge crossed to its end or the first place on it. */
    private function cut(int $from, int $to, int $edge): int
    {
        $m = $this->mesh;
        $crossed = [];
        $end = $to;
        while (true) {
            if (isset($this->fixed[$edge])) {
                throw NoSurface::breaklinesCross($m->x[$from], $m->y[$from], $m->x[$to], $m->y[$to]);
            }
            $crossed[] = [$m->corner[$edge], $m->corner[Mesh::next($edge)]];
            $edge = $m->twin[$edge];
            $apex = $m->corner[Mesh::previous($edge)];
            if ($apex === $to) {
                break;
            }
            $side = $this->mesh->side($from, $to, $apex);
            if ($side === 0.0) {
                $end = $apex;
                break;
            }
            $first = $this->mesh->side($from, $to, $m->corner[$edge]);
            // On through whichever of the two other edges has its ends on both sides.
            $edge = $side > 0.0 === $first > 0.0 ? Mesh::next($edge) : Mesh::previous($edge);
        }
        $this->swapAcross($from, $end, $crossed);

        return $end;
    }

    /** @param  list<array{int, int}>  $crossed  edges by their ends */
    private function swapAcross(int $from, int $to, array $crossed): void
    {
        $m = $this->mesh;
        $fresh = [];
        $guard = 20 * count($crossed) ** 2 + 1000;
        while ($crossed !== [] && $guard-- > 0) {
            [$a, $b] = array_shift($crossed);
            $edge = $this->edge($a, $b);
            $twin = $m->twin[$edge];
            $p = $m->corner[Mesh::previous($edge)];
            $q = $m->corner[Mesh::previous($twin)];
            // Only within a convex quadrangle can the other diagonal be drawn.
            if ($this->mesh->side($p, $q, $a) > 0.0 === $this->mesh->side($p, $q, $b) > 0.0 || $this->mesh->side($p, $q, $a) === 0.0 || $this->mesh->side($p, $q, $b) === 0.0) {
                $crossed[] = [$a, $b];

                continue;
            }
            $this->swap($edge);
            $ends = [$p, $q];
            $crosses = ! in_array($from, $ends, true) && ! in_array($to, $ends, true)
                && $this->mesh->side($from, $to, $p) > 0.0 !== $this->mesh->side($from, $to, $q) > 0.0;
            if ($crosses) {
                $crossed[] = $ends;
            } else {
                $fresh[] = $ends;
            }
        }
        if ($crossed !== []) {
            throw NoSurface::notTriangulated();
        }
        $this->fix($this->edge($from, $to));
        $this->restore($fresh);
    }

    /**
     * Makes Delaunay what can be, beside the new edge.
     *
     * @param  list<array{int, int}>  $pairs
     */
    private function restore(array $pairs): void
    {
        $m = $this->mesh;
        $guard = 50 * count($pairs) + 100;
        while ($pairs !== [] && $guard-- > 0) {
            [$a, $b] = array_pop($pairs);
            $edge = $this->find($a, $b);
            if ($edge === null || isset($this->fixed[$edge]) || $m->twin[$edge] < 0 || ! $this->mesh->isInCircle($edge)) {
                continue;
            }
            $p = $m->corner[Mesh::previous($edge)];
            $q = $m->corner[Mesh::previous($m->twin[$edge])];
            $this->swap($edge);
            array_push($pairs, [$a, $p], [$p, $b], [$b, $q], [$q, $a]);
        }
    }

    /** What was fixed of the quadrangle around an edge stays fixed, whatever its numbers become. */
    private function swap(int $a): void
    {
        $m = $this->mesh;
        $b = $m->twin[$a];
        [$al, $ar, $br, $bl] = [Mesh::next($a), Mesh::previous($a), Mesh::next($b), Mesh::previous($b)];
        [$p0, $pr, $pl, $p1] = [$m->corner[$ar], $m->corner[$a], $m->corner[$al], $m->corner[$bl]];
        [$leftFixed, $rightFixed] = [isset($this->fixed[$bl]), isset($this->fixed[$ar])];
        $m->flip($a);
        $this->fix($a, $leftFixed);
        $this->fix($b, $rightFixed);
        $this->fix($ar, false);
        [$this->leaving[$p1], $this->leaving[$pl], $this->leaving[$p0], $this->leaving[$pr]] = [$a, $al, $b, $br];
    }

    private function fix(int $edge, bool $fixed = true): void
    {
        foreach ([$edge, $this->mesh->twin[$edge]] as $side) {
            if ($fixed && $side >= 0) {
                $this->fixed[$side] = true;
            } else {
                unset($this->fixed[$side]);
            }
        }
    }

    private function edge(int $a, int $b): int
    {
        return $this->find($a, $b) ?? throw NoSurface::notTriangulated();
    }

    /** The edge from one place to another, in the triangle that lies on its side, or of the neighbour. */
    public function find(int $a, int $b): ?int
    {
        $m = $this->mesh;
        foreach ($this->around($a) as $edge) {
            if ($m->corner[Mesh::next($edge)] === $b) {
                return $edge;
            }
            if ($m->corner[Mesh::previous($edge)] === $b) {
                return $m->twin[Mesh::previous($edge)] >= 0 ? $m->twin[Mesh::previous($edge)] : Mesh::previous($edge);
            }
        }

        return null;
    }

    /** @return \Generator<int> edges that leave a place, of every triangle round it */
    private function around(int $place): \Generator
    {
        $m = $this->mesh;
        $first = $edge = $this->leaving[$place];
        if ($first < 0) {
            return;
        }
        do {
            yield $edge;
            $edge = $m->twin[Mesh::previous($edge)];
        } while ($edge >= 0 && $edge !== $first);
        if ($edge < 0) {
            // The rim was met: the other way round for the rest.
            for ($twin = $m->twin[$first]; $twin >= 0; $twin = $m->twin[$edge]) {
                yield $edge = Mesh::next($twin);
            }
        }
    }
}
