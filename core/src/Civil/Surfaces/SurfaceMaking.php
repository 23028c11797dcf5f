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

    /** A place nearer than this to the border of its square may belong to the next one, parts of the square. */
    private const AT_BORDER = 0.01;

    /** How often lines that cross by less than the width of a square are parted anew. */
    private const ROUNDS = 4;

    /** An outline whose heights lie further from the ground than this is drawn without meaning them, metres. */
    private const FAR = 1.0;

    /** @var list<float> */
    private array $n = [];

    /** @var list<float> */
    private array $e = [];

    /** @var array<int, float> NAN where nothing says a height: beyond the ground */
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
        $places = is_array($points) ? array_values($points) : iterator_to_array($points, false);
        $outlines = array_values(array_filter([$outer, ...$hidden]));
        $lines = MakingPiece::along($breaklines, MakingPiece::GROUND, self::SAME);
        [$flat, $raised, $remarks] = self::sorted($outlines, $places, $lines);
        $ground = self::collected($places, [...$lines, ...MakingPiece::along($raised, MakingPiece::OUTLINE, self::SAME)]);
        [$mesh, $constraints] = $ground->triangulated();
        $making = $ground;
        $index = null;
        if ($flat !== []) {
            // An outline without heights lies on the surface as it is without it, so that nothing of that changes. It is brought in whole, with the rim
            // of the ground, so that each parts the triangles all the way round.
            $index = new SurfaceIndex($ground->surface($mesh, []));
            $pieces = $ground->asPieces($mesh);
            foreach ($flat as $outline) {
                $pieces = [...$pieces, ...self::laid($outline, $index)];
            }
            $making = self::collected($places, $pieces);
            [$mesh, $constraints] = $making->triangulated();
        }
        $away = $outlines === [] ? [] : $making->outside($mesh, $constraints, $outer, $hidden, $index);
        if ($longestEdge !== null) {
            $away = $making->longEdges($mesh, $away, $longestEdge);
        }

        return new SurfaceMade($making->surface($mesh, $away), [...$remarks, ...$ground->remarks]);
    }

    /**
     * Outlines that only cut, and those whose heights belong to the ground.
     *
     * @param  list<Outline>  $outlines
     * @param  list<Position>  $places
     * @param  list<MakingPiece>  $lines
     * @return array{list<Outline>, list<Breakline>, list<MakingRemark>}
     */
    private static function sorted(array $outlines, array $places, array $lines): array
    {
        $flat = $raised = $remarks = [];
        $heights = null;
        foreach ($outlines as $outline) {
            if (! $outline->hasHeights()) {
                $flat[] = $outline;

                continue;
            }
            $heights ??= GroundHeights::of([...$places, ...MakingPiece::ends($lines)]);
            $off = $heights->apart($outline->corners);
            if ($off !== null && abs($off) > self::FAR) {
                $remarks[] = MakingRemark::outlineFar($outline->corners[0], $off);
                $flat[] = $outline;
            } else {
                $raised[] = new Breakline($outline->closed());
            }
        }

        return [$flat, $raised, $remarks];
    }

    /**
     * @param  list<Position>  $places
     * @param  list<MakingPiece>  $pieces
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
        for ($round = 1; ; $round++) {
            $mesh = Delaunay::of($this->n, $this->e);
            $constraints = new Constraints($mesh);
            try {
                foreach ($this->edges as [$a, $b]) {
                    $constraints->add($a, $b);
                }

                return [$mesh, $constraints];
            } catch (NoSurface $e) {
                if ($round === self::ROUNDS) {
                    throw $e;
                }
                // Places that became one bent their lines a little: what crosses now is parted there.
                $this->partAnew();
            }
        }
    }

    private function partAnew(): void
    {
        $pieces = [];
        foreach ($this->edges as [$a, $b]) {
            $pieces[] = new MakingPiece($this->place($a), $this->place($b), MakingPiece::GROUND);
        }
        $this->edges = [];
        $remarks = $this->remarks;
        $this->addPieces($pieces);
        $this->remarks = $remarks;
    }

    private function place(int $number): Position
    {
        return new Position($this->n[$number], $this->e[$number], is_nan($this->z[$number]) ? null : $this->z[$number]);
    }

    /** The number of the point at a place; one that is there already keeps its height. */
    private function number(float $n, float $e, float $z): int
    {
        if ($this->n === []) {
            [$this->north, $this->east] = [$n, $e];
        }
        $known = $this->known(($n - $this->north) / self::SAME, ($e - $this->east) / self::SAME);
        if ($known === null) {
            [$this->n[], $this->e[], $this->z[]] = [$n, $e, $z];

            return $this->numbers[self::key(round(($n - $this->north) / self::SAME), round(($e - $this->east) / self::SAME))] = count($this->n) - 1;
        }
        if (is_nan($this->z[$known])) {
            $this->z[$known] = $z;
        } elseif (abs($this->z[$known] - $z) > self::SAME_HEIGHT) {
            $this->remarks[] = MakingRemark::twoHeights(new Position($n, $e, $this->z[$known]), $z - $this->z[$known]);
        }

        return $known;
    }

    /** The point of this square, or of the next one where the border is near; in squares from the first place. */
    private function known(float $n, float $e): ?int
    {
        [$rn, $re] = [round($n), round($e)];
        $found = $this->numbers[self::key($rn, $re)] ?? null;
        if ($found !== null || (abs($n - $rn) < 0.5 - self::AT_BORDER && abs($e - $re) < 0.5 - self::AT_BORDER)) {
            return $found;
        }
        foreach ([round($n - self::AT_BORDER), round($n + self::AT_BORDER)] as $dn) {
            foreach ([round($e - self::AT_BORDER), round($e + self::AT_BORDER)] as $de) {
                $found ??= $this->numbers[self::key($dn, $de)] ?? null;
            }
        }

        return $found;
    }

    /** Both in one whole number, as far as two hundred kilometres. */
    private static function key(float $dn, float $de): int|string
    {
        return abs($dn) < self::HALF && abs($de) < self::HALF ? (int) $dn * 2 * self::HALF + (int) $de : "$dn/$de";
    }

    /** @param  list<MakingPiece>  $pieces */
    private function addPieces(array $pieces): void
    {
        $on = [];
        foreach (SegmentCrossings::of(array_map(static fn (MakingPiece $p) => [$p->from, $p->to], $pieces)) as [$i, $j, $at, $t, $u]) {
            if (($t === 0.0 || $t === 1.0) && ($u === 0.0 || $u === 1.0)) {
                continue;
            }
            $number = $this->number($at->northing, $at->easting, $this->crossingHeight($pieces[$i], $t, $pieces[$j], $u, $at));
            $on[$i][] = [$t, $number];
            $on[$j][] = [$u, $number];
        }
        foreach ($pieces as $i => $piece) {
            $chain = $on[$i] ?? [];
            $chain[] = [0.0, $this->number($piece->from->northing, $piece->from->easting, $piece->from->elevation ?? NAN)];
            $chain[] = [1.0, $this->number($piece->to->northing, $piece->to->easting, $piece->to->elevation ?? NAN)];
            sort($chain);
            $this->chain(array_column($chain, 1));
        }
    }

    /** Of two lines that say different heights, the ground's before an outline's; of two alike, the middle. */
    private function crossingHeight(MakingPiece $one, float $t, MakingPiece $other, float $u, Position $at): float
    {
        [$a, $b] = [$one->heightAt($t), $other->heightAt($u)];
        if (is_nan($a) || is_nan($b)) {
            return is_nan($a) ? $b : $a;
        }
        $height = $one->means === $other->means ? ($a + $b) / 2 : ($one->means > $other->means ? $a : $b);
        if (abs($a - $b) > self::SAME_HEIGHT) {
            $this->remarks[] = $one->means === $other->means ? MakingRemark::linesCross($at, $b - $a)
                : MakingRemark::outlineMeetsLine($at, $height === $a ? $b - $a : $a - $b);
        }

        return $height;
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
     * All edges that were wanted, and the rim of the triangles.
     *
     * @return list<MakingPiece>
     */
    private function asPieces(Mesh $mesh): array
    {
        $edges = $this->edges;
        foreach ($mesh->twin as $edge => $twin) {
            if ($twin < 0) {
                [$a, $b] = [$mesh->corner[$edge], $mesh->corner[Mesh::next($edge)]];
                $edges[min($a, $b).'-'.max($a, $b)] = [$a, $b];
            }
        }

        return array_map(fn (array $e) => new MakingPiece($this->place($e[0]), $this->place($e[1]), MakingPiece::GROUND), array_values($edges));
    }

    /**
     * An outline as it runs over a surface, and without heights beyond it.
     *
     * @return list<MakingPiece>
     */
    private static function laid(Outline $outline, SurfaceIndex $index): array
    {
        $lines = [];
        $closed = $outline->closed();
        for ($i = 1; $i < count($closed); $i++) {
            [$from, $to] = [$closed[$i - 1]->at(null), $closed[$i]->at(null)];
            $azimuth = $from->azimuthTo($to);
            $chain = [$from];
            foreach (AlongSurface::of($index, $from, $to) as $run) {
                $places = array_map(static fn (array $at) => $from->along($azimuth, $at[0], $at[1]), $run);
                $lines[] = new Breakline([...$chain, $places[0]]);
                $lines[] = new Breakline($places);
                $chain = [$places[count($places) - 1]];
            }
            $lines[] = new Breakline([...$chain, $to]);
        }

        return MakingPiece::along($lines, MakingPiece::CUT, self::SAME);
    }

    /**
     * What no wanted edge parts lies on one side of every outline, and of the ground's rim: asked of its largest triangle, which rounding can't move across.
     *
     * @param  list<Outline>  $hidden
     * @param  SurfaceIndex|null  $ground  beyond it is nothing; null where all triangles are ground
     * @return array<int, true> triangles
     */
    private function outside(Mesh $mesh, Constraints $constraints, ?Outline $outer, array $hidden, ?SurfaceIndex $ground): array
    {
        $out = [];
        foreach ($this->parts($mesh, $constraints) as $part) {
            $largest = $part[0];
            $most = -1.0;
            foreach ($part as $t) {
                $area = $this->area($mesh, $t);
                if ($area > $most) {
                    [$largest, $most] = [$t, $area];
                }
            }
            [$n, $e] = $this->middle($mesh, $largest);
            if (($outer !== null && ! $outer->holds($n, $e)) || ($ground !== null && $ground->at($n, $e) === null)
                || array_filter($hidden, static fn (Outline $h) => $h->holds($n, $e)) !== []) {
                $out += array_fill_keys($part, true);
            }
        }

        return $out;
    }

    /** @return \Generator<non-empty-list<int>> triangles that no wanted edge parts */
    private function parts(Mesh $mesh, Constraints $constraints): \Generator
    {
        $known = [];
        for ($t = 0, $count = intdiv(count($mesh->corner), 3); $t < $count; $t++) {
            if (isset($known[$t])) {
                continue;
            }
            $part = $front = [$t];
            $known[$t] = true;
            while ($front !== []) {
                $at = array_pop($front);
                for ($edge = 3 * $at; $edge < 3 * $at + 3; $edge++) {
                    $beside = $mesh->twin[$edge] < 0 ? -1 : intdiv($mesh->twin[$edge], 3);
                    if ($beside >= 0 && ! isset($known[$beside]) && ! $constraints->isFixed($edge)) {
                        $known[$beside] = true;
                        $part[] = $front[] = $beside;
                    }
                }
            }
            yield $part;
        }
    }

    /** Twice its area, metres². */
    private function area(Mesh $mesh, int $triangle): float
    {
        [$a, $b, $c] = array_slice($mesh->corner, 3 * $triangle, 3);

        return abs(($this->n[$b] - $this->n[$a]) * ($this->e[$c] - $this->e[$a]) - ($this->n[$c] - $this->n[$a]) * ($this->e[$b] - $this->e[$a]));
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
        for ($i = 0, $end = count($mesh->corner); $i < $end; $i += 3) {
            [$a, $b, $c] = [$mesh->corner[$i], $mesh->corner[$i + 1], $mesh->corner[$i + 2]];
            if (! isset($away[intdiv($i, 3)]) && ! is_nan($this->z[$a] + $this->z[$b] + $this->z[$c])) {
                array_push($corners, $a, $b, $c);
            }
        }
        if ($corners === []) {
            throw NoSurface::nothingLeft();
        }

        return Surface::ofUsed($this->n, $this->e, $this->z, $corners);
    }
}
