<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

use Parlay\Core\Geometry\Position;

/** Makes a surface of points, breaklines and outlines: the constrained Delaunay triangulation of them, cut to its outline. */
final class SurfaceMaking
{
    /** Places nearer than this are one, metres. */
    private const SAME = 1e-4;

    private const HALF = 2_147_483_648;

    /** Heights that differ by less are one, metres. */
    private const SAME_HEIGHT = 1e-3;

    /** @var list<float> */
    private array $n = [];

    /** @var list<float> */
    private array $e = [];

    /** @var list<float> */
    private array $z = [];

    private float $north = 0.0;

    private float $east = 0.0;

    /** @var array<int|string, int> number of the point at a place */
    private array $numbers = [];

    /** @var list<MakingRemark> */
    private array $remarks = [];

    /** @var array<string, array{int, int}> edges that are wanted */
    private array $edges = [];

    private function __construct() {}

    /**
     * @param  iterable<Position>  $points  with elevations
     * @param  list<Breakline>  $breaklines
     * @param  Outline|null  $outer  what lies outside does not belong to it; where its corners have no heights, those of the surface
     * @param  list<Outline>  $hidden  holes
     * @param  float|null  $longestEdge  metres; edges at the rim that are longer are taken away
     *
     * @throws NoSurface
     */
    public static function of(iterable $points, array $breaklines = [], ?Outline $outer = null, array $hidden = [], ?float $longestEdge = null): SurfaceMade
    {
        $places = [];
        foreach ($points as $p) {
            $places[] = $p;
        }
        $outlines = array_values(array_filter([$outer, ...$hidden]));
        $flat = array_values(array_filter($outlines, self::isFlat(...)));
        $pieces = self::pieces([
            ...$breaklines,
            ...array_map(static fn (Outline $o) => new Breakline($o->closed()), array_filter($outlines, static fn (Outline $o) => ! self::isFlat($o))),
        ]);
        $making = self::collected($places, $pieces);
        [$mesh, $constraints] = $making->triangulated();
        $remarks = $making->remarks;
        if ($flat !== []) {
            // An outline without heights lies on the surface as it is without it, so that nothing of that changes.
            $index = new SurfaceIndex($making->surface($mesh, []));
            foreach ($flat as $outline) {
                $pieces = [...$pieces, ...self::laid($outline, $index)];
            }
            $making = self::collected($places, $pieces);
            [$mesh, $constraints] = $making->triangulated();
        }
        $away = $outlines === [] ? [] : $making->outside($mesh, $constraints, $outer, $hidden);
        if ($longestEdge !== null) {
            $away = $making->longEdges($mesh, $away, $longestEdge);
        }

        return new SurfaceMade($making->surface($mesh, $away), $remarks);
    }

    /**
     * @param  list<Position>  $places
     * @param  list<array{Position, Position}>  $pieces
     */
    private static function collected(array $places, array $pieces): self
    {
        $making = new self;
        foreach ($places as $p) {
            $making->number($p->northing, $p->easting, (float) $p->elevation);
        }
        $making->addPieces($pieces);

        return $making;
    }

    /** @return array{Mesh, Constraints} */
    private function triangulated(): array
    {
        $mesh = Delaunay::of($this->n, $this->e);
        $constraints = new Constraints($mesh);
        foreach ($this->edges as [$a, $b]) {
            $constraints->add($a, $b);
        }

        return [$mesh, $constraints];
    }

    private static function isFlat(Outline $outline): bool
    {
        return array_filter($outline->corners, static fn (Position $p) => $p->elevation === null) !== [];
    }

    /** The number of the point at a place; one that is there already keeps its height. */
    private function number(float $n, float $e, float $z): int
    {
        if ($this->n === []) {
            [$this->north, $this->east] = [$n, $e];
        }
        [$dn, $de] = [round(($n - $this->north) / self::SAME), round(($e - $this->east) / self::SAME)];
        // Both in one whole number, as far as two hundred kilometres.
        $key = abs($dn) < self::HALF && abs($de) < self::HALF ? (int) $dn * 2 * self::HALF + (int) $de : "$dn/$de";
        $known = $this->numbers[$key] ?? null;
        if ($known === null) {
            [$this->n[], $this->e[], $this->z[]] = [$n, $e, $z];

            return $this->numbers[$key] = count($this->n) - 1;
        }
        if (abs($this->z[$known] - $z) > self::SAME_HEIGHT) {
            $this->remarks[] = MakingRemark::twoHeights(new Position($n, $e, $this->z[$known]), $z - $this->z[$known]);
        }

        return $known;
    }

    /**
     * @param  list<Breakline>  $lines
     * @return list<array{Position, Position}>
     */
    private static function pieces(array $lines): array
    {
        $pieces = [];
        foreach ($lines as $line) {
            for ($i = 1; $i < count($line->places); $i++) {
                if ($line->places[$i - 1]->distanceTo($line->places[$i]) > self::SAME) {
                    $pieces[] = [$line->places[$i - 1], $line->places[$i]];
                }
            }
        }

        return $pieces;
    }

    /** @param  list<array{Position, Position}>  $pieces */
    private function addPieces(array $pieces): void
    {
        $on = [];
        foreach (SegmentCrossings::of($pieces) as [$i, $j, $at, $t, $u]) {
            if (($t === 0.0 || $t === 1.0) && ($u === 0.0 || $u === 1.0)) {
                continue;
            }
            $heights = [self::between($pieces[$i], $t), self::between($pieces[$j], $u)];
            if (abs($heights[0] - $heights[1]) > self::SAME_HEIGHT) {
                $this->remarks[] = MakingRemark::linesCross($at, $heights[1] - $heights[0]);
            }
            $number = $this->number($at->northing, $at->easting, array_sum($heights) / 2);
            $on[$i][] = [$t, $number];
            $on[$j][] = [$u, $number];
        }
        foreach ($pieces as $i => [$a, $b]) {
            $chain = $on[$i] ?? [];
            $chain[] = [0.0, $this->number($a->northing, $a->easting, (float) $a->elevation)];
            $chain[] = [1.0, $this->number($b->northing, $b->easting, (float) $b->elevation)];
            sort($chain);
            $this->chain(array_column($chain, 1));
        }
    }

    /** @param  array{Position, Position}  $piece */
    private static function between(array $piece, float $t): float
    {
        return $piece[0]->elevation + $t * ($piece[1]->elevation - $piece[0]->elevation);
    }

    /** @param  list<int>  $numbers */
    private function chain(array $numbers): void
    {
        for ($i = 1; $i < count($numbers); $i++) {
            [$a, $b] = [$numbers[$i - 1], $numbers[$i]];
            if ($a !== $b) {
                $this->edges[min($a, $b).'-'.max($a, $b)] = [$a, $b];
            }
        }
    }

    /**
     * An outline as it runs over a surface.
     *
     * @return list<array{Position, Position}>
     */
    private static function laid(Outline $outline, SurfaceIndex $index): array
    {
        $pieces = [];
        $closed = $outline->closed();
        for ($i = 1; $i < count($closed); $i++) {
            $azimuth = $closed[$i - 1]->azimuthTo($closed[$i]);
            foreach (AlongSurface::of($index, $closed[$i - 1], $closed[$i]) as $run) {
                $chain = array_map(static fn (array $at) => $closed[$i - 1]->along($azimuth, $at[0], $at[1]), $run);
                $pieces = [...$pieces, ...self::pieces([new Breakline($chain)])];
            }
        }

        return $pieces;
    }

    /**
     * @param  list<Outline>  $hidden
     * @return array<int, true> triangles
     */
    private function outside(Mesh $mesh, Constraints $constraints, ?Outline $outer, array $hidden): array
    {
        $out = [];
        $known = [];
        for ($t = 0, $count = intdiv(count($mesh->corner), 3); $t < $count; $t++) {
            if (isset($known[$t])) {
                continue;
            }
            // What no wanted edge parts lies on one side of every outline.
            [$n, $e] = $this->middle($mesh, $t);
            $isOut = ($outer !== null && ! $outer->holds($n, $e)) || array_filter($hidden, static fn (Outline $h) => $h->holds($n, $e)) !== [];
            $front = [$t];
            $known[$t] = true;
            while ($front !== []) {
                $at = array_pop($front);
                if ($isOut) {
                    $out[$at] = true;
                }
                for ($edge = 3 * $at; $edge < 3 * $at + 3; $edge++) {
                    $beside = $mesh->twin[$edge] < 0 ? -1 : intdiv($mesh->twin[$edge], 3);
                    if ($beside >= 0 && ! isset($known[$beside]) && ! $constraints->isFixed($edge)) {
                        $known[$beside] = true;
                        $front[] = $beside;
                    }
                }
            }
        }

        return $out;
    }

    /** @return array{float, float} */
    private function middle(Mesh $mesh, int $triangle): array
    {
        $n = $e = 0.0;
        for ($edge = 3 * $triangle; $edge < 3 * $triangle + 3; $edge++) {
            $n += $this->n[$mesh->corner[$edge]];
            $e += $this->e[$mesh->corner[$edge]];
        }

        return [$n / 3, $e / 3];
    }

    /**
     * From the rim inward, as long as an edge there is too long.
     *
     * @param  array<int, true>  $away
     * @return array<int, true>
     */
    private function longEdges(Mesh $mesh, array $away, float $longest): array
    {
        $rim = [];
        foreach ($mesh->twin as $edge => $twin) {
            if (! isset($away[intdiv($edge, 3)]) && ($twin < 0 || isset($away[intdiv($twin, 3)]))) {
                $rim[] = $edge;
            }
        }
        while ($rim !== []) {
            $edge = array_pop($rim);
            $triangle = intdiv($edge, 3);
            [$a, $b] = [$mesh->corner[$edge], $mesh->corner[$edge % 3 === 2 ? $edge - 2 : $edge + 1]];
            if (isset($away[$triangle]) || hypot($this->n[$b] - $this->n[$a], $this->e[$b] - $this->e[$a]) <= $longest) {
                continue;
            }
            $away[$triangle] = true;
            for ($other = 3 * $triangle; $other < 3 * $triangle + 3; $other++) {
                if ($mesh->twin[$other] >= 0) {
                    $rim[] = $mesh->twin[$other];
                }
            }
        }

        return $away;
    }

    /**
     * With its own places, not those that the triangulation moved to its grid.
     *
     * @param  array<int, true>  $away
     *
     * @throws NoSurface where nothing is left
     */
    private function surface(Mesh $mesh, array $away): Surface
    {
        $corners = [];
        if ($away === []) {
            $corners = $mesh->corner;
        } else {
            for ($i = 0, $end = count($mesh->corner); $i < $end; $i += 3) {
                if (! isset($away[intdiv($i, 3)])) {
                    array_push($corners, $mesh->corner[$i], $mesh->corner[$i + 1], $mesh->corner[$i + 2]);
                }
            }
        }
        if ($corners === []) {
            throw NoSurface::nothingLeft();
        }

        return new Surface($this->n, $this->e, $this->z, $corners);
    }
}
