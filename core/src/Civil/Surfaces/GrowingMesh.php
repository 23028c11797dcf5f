<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

/**
 * A Delaunay triangulation that takes one place after another, wherever it lies: its triangle is found by walking there, or the rim that
 * sees it, and what is not Delaunay any more is flipped (C. L. Lawson, "Software for C1 surface interpolation", 1977, recalled).
 *
 * Packed: number of places and of edges (32 bits each), the origin (two doubles), places from it (doubles, all northings before all
 * eastings), corners and twins of the edges (32 bits each, signed), little-endian.
 */
final class GrowingMesh
{
    private const HEAD = 24;

    private function __construct(private readonly Mesh $mesh, private readonly float $north, private readonly float $east) {}

    /**
     * @param  list<float>  $northings  metres
     * @param  list<float>  $eastings
     *
     * @throws NoSurface where fewer than three differ, or all lie in one line
     */
    public static function of(array $northings, array $eastings): self
    {
        return new self(Delaunay::of($northings, $eastings), floor($northings[0] ?? 0.0), floor($eastings[0] ?? 0.0));
    }

    /** Number of places it was given. */
    public function count(): int
    {
        return count($this->mesh->x);
    }

    /** @return list<int> three places to each triangle, from 0 */
    public function corners(): array
    {
        return array_values($this->mesh->corner);
    }

    /**
     * Takes a place in; one that is there already is counted and joins nothing.
     *
     * @throws NoSurface where it could not be found
     */
    public function add(float $northing, float $easting): void
    {
        $m = $this->mesh;
        $p = count($m->x);
        $m->x[] = Delaunay::onGrid($northing - $this->north);
        $m->y[] = Delaunay::onGrid($easting - $this->east);
        [$edge, $outside] = $this->find($p);
        for ($k = 0, $e = $edge; $k < 3; $k++, $e = Mesh::next($e)) {
            if ($m->x[$m->corner[$e]] === $m->x[$p] && $m->y[$m->corner[$e]] === $m->y[$p]) {
                return;
            }
        }
        $this->restore($outside ? $this->join($edge, $p) : $this->split($edge, $p));
    }

    /**
     * An edge of the triangle that a place lies in; or the edge of the rim beyond which it lies.
     *
     * @return array{int, bool} the edge, and whether it lies outside
     */
    private function find(int $p): array
    {
        $m = $this->mesh;
        $edge = count($m->corner) - 3;
        // Towards the place, from triangle to triangle: of a Delaunay triangulation no way comes back.
        for ($steps = count($m->corner); $steps > 0; $steps--) {
            $over = null;
            for ($k = 0, $e = $edge; $k < 3; $k++, $e = Mesh::next($e)) {
                if ($m->side($m->corner[$e], $m->corner[Mesh::next($e)], $p) > 0.0) {
                    $over = $e;
                    break;
                }
            }
            if ($over === null) {
                return [$edge, false];
            }
            if ($m->twin[$over] < 0) {
                return [$over, true];
            }
            $edge = $m->twin[$over];
        }
        throw NoSurface::notTriangulated();
    }

    /** @return list<int> edges that may have to be flipped */
    private function split(int $edge, int $p): array
    {
        $m = $this->mesh;
        for ($k = 0, $e = $edge; $k < 3; $k++, $e = Mesh::next($e)) {
            if ($m->twin[$e] < 0 && $m->side($m->corner[$e], $m->corner[Mesh::next($e)], $p) === 0.0) {
                return $this->splitRim($e, $p);
            }
        }
        [$e1, $e2] = [Mesh::next($edge), Mesh::previous($edge)];
        [$a, $b, $c] = [$m->corner[$edge], $m->corner[$e1], $m->corner[$e2]];
        [$h1, $h2] = [$m->twin[$e1], $m->twin[$e2]];
        $u = $this->triangle($b, $c, $p);
        $v = $this->triangle($c, $a, $p);
        $m->corner[$e2] = $p;
        $this->mesh->pair($u, $h1);
        $this->mesh->pair($v, $h2);
        $this->mesh->pair($e1, $u + 2);
        $this->mesh->pair($u + 1, $v + 2);
        $this->mesh->pair($v + 1, $e2);

        return [$edge, $u, $v];
    }

    /** @return list<int> */
    private function splitRim(int $edge, int $p): array
    {
        $m = $this->mesh;
        [$e1, $e2] = [Mesh::next($edge), Mesh::previous($edge)];
        [$b, $c] = [$m->corner[$e1], $m->corner[$e2]];
        $h1 = $m->twin[$e1];
        $u = $this->triangle($b, $c, $p);
        $m->corner[$e1] = $p;
        $this->mesh->pair($u, $h1);
        $this->mesh->pair($u + 1, $e1);

        return [$u, $e2];
    }

    /**
     * Joins a place outside to all of the rim that sees it.
     *
     * @return list<int>
     */
    private function join(int $edge, int $p): array
    {
        $m = $this->mesh;
        $sees = fn (int $e): bool => $m->side($m->corner[$e], $m->corner[Mesh::next($e)], $p) > 0.0;
        $seen = [$edge];
        for ($e = $this->onRim($edge); $e !== $edge && $sees($e); $e = $this->onRim($e)) {
            $seen[] = $e;
        }
        for ($e = $this->backOnRim($edge); ! in_array($e, $seen, true) && $sees($e); $e = $this->backOnRim($e)) {
            array_unshift($seen, $e);
        }
        $before = null;
        $new = [];
        foreach ($seen as $e) {
            $t = $this->triangle($m->corner[Mesh::next($e)], $m->corner[$e], $p);
            $this->mesh->pair($t, $e);
            if ($before !== null) {
                $this->mesh->pair($t + 1, $before + 2);
            }
            $before = $new[] = $t;
        }

        return $new;
    }

    /** The edge of the rim that begins where one ends. */
    private function onRim(int $edge): int
    {
        for ($e = Mesh::next($edge); $this->mesh->twin[$e] >= 0;) {
            $e = Mesh::next($this->mesh->twin[$e]);
        }

        return $e;
    }

    private function backOnRim(int $edge): int
    {
        for ($e = Mesh::previous($edge); $this->mesh->twin[$e] >= 0;) {
            $e = Mesh::previous($this->mesh->twin[$e]);
        }

        return $e;
    }

    /** @return int its first edge */
    private function triangle(int $a, int $b, int $c): int
    {
        $m = $this->mesh;
        $first = count($m->corner);
        array_push($m->corner, $a, $b, $c);
        array_push($m->twin, -1, -1, -1);

        return $first;
    }

    /** @param  list<int>  $edges */
    private function restore(array $edges): void
    {
        $m = $this->mesh;
        while ($edges !== []) {
            $a = array_pop($edges);
            $b = $m->twin[$a];
            if ($b < 0 || ! ($this->isFlat($a) || $m->isInCircle($a))) {
                continue;
            }
            $m->flip($a);
            array_push($edges, $a, Mesh::next($b));
        }
    }

    /** A place on the edge between two triangles makes one without area, which never stays. */
    private function isFlat(int $edge): bool
    {
        $m = $this->mesh;

        return $m->side($m->corner[$edge], $m->corner[Mesh::next($edge)], $m->corner[Mesh::previous($edge)]) === 0.0;
    }

    public function packed(): string
    {
        $m = $this->mesh;

        return pack('VVee', count($m->x), count($m->corner), $this->north, $this->east).pack('e*', ...$m->x).pack('e*', ...$m->y).pack('l*', ...$m->corner).pack('l*', ...$m->twin);
    }

    public static function unpacked(string $bytes): self
    {
        ['places' => $places, 'edges' => $edges, 'north' => $north, 'east' => $east] = self::head($bytes);
        $at = self::HEAD + 16 * $places;

        return new self(new Mesh(
            self::numbers("e$places", $bytes, self::HEAD), self::numbers("e$places", $bytes, self::HEAD + 8 * $places), self::numbers("l$edges", $bytes, $at),
            self::numbers("l$edges", $bytes, $at + 4 * $edges),
        ), $north, $east);
    }

    /**
     * Its triangles, without the rest of it being unpacked.
     *
     * @return array{int, list<int>} number of places, and three of them to each triangle
     */
    public static function trianglesOf(string $bytes): array
    {
        ['places' => $places, 'edges' => $edges] = self::head($bytes);

        return [$places, self::numbers("l$edges", $bytes, self::HEAD + 16 * $places)];
    }

    /** @return array{places: int, edges: int, north: float, east: float} */
    private static function head(string $bytes): array
    {
        $head = strlen($bytes) < self::HEAD ? false : unpack('Vplaces/Vedges/enorth/eeast', $bytes);
        [$places, $edges] = [(int) ($head['places'] ?? 0), (int) ($head['edges'] ?? 0)];
        if ($head === false || strlen($bytes) !== self::HEAD + 16 * $places + 8 * $edges) {
            throw new \LengthException('This is no packed mesh.');
        }

        return ['places' => $places, 'edges' => $edges, 'north' => (float) $head['north'], 'east' => (float) $head['east']];
    }

    /** @return list<mixed> */
    private static function numbers(string $format, string $bytes, int $at): array
    {
        return array_values(unpack($format, $bytes, $at) ?: []);
    }
}
