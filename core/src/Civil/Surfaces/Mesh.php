<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

/** Triangles by their edges, while they are being made; all of them turn the same way, so that what lies within has no edge on its other side. */
final class Mesh
{
    /**
     * @param  array<int, float>  $x  metres
     * @param  array<int, float>  $y  metres
     * @param  array<int, int>  $corner  of each edge, the place it leaves; three edges to a triangle
     * @param  array<int, int>  $twin  of each edge, the one of the neighbour; -1 on the rim
     */
    public function __construct(public array $x, public array $y, public array $corner, public array $twin) {}

    /** The edge after one, in its triangle. */
    public static function next(int $edge): int
    {
        return $edge % 3 === 2 ? $edge - 2 : $edge + 1;
    }

    /** The edge before one, in its triangle. */
    public static function previous(int $edge): int
    {
        return $edge % 3 === 0 ? $edge + 2 : $edge - 1;
    }

    /** Two edges that are one, seen from both sides; the second is -1 where nothing lies beyond. */
    public function pair(int $a, int $b): void
    {
        $this->twin[$a] = $b;
        if ($b >= 0) {
            $this->twin[$b] = $a;
        }
    }

    /** Draws the other diagonal of the quadrangle on both sides of an edge, which is the edge before this one in its triangle then. */
    public function flip(int $a): void
    {
        $b = $this->twin[$a];
        [$ar, $bl] = [self::previous($a), self::previous($b)];
        [$p0, $p1] = [$this->corner[$ar], $this->corner[$bl]];
        [$hbl, $har] = [$this->twin[$bl], $this->twin[$ar]];
        $this->corner[$a] = $p1;
        $this->corner[$b] = $p0;
        $this->pair($a, $hbl);
        $this->pair($b, $har);
        $this->pair($ar, $bl);
    }

    /** On which side of the way from a to b a place lies; 0 on it, below 0 on the side of the triangle whose edge it is. */
    public function side(int $a, int $b, int $p): float
    {
        return Delaunay::cross($this->x[$b] - $this->x[$a], $this->y[$p] - $this->y[$a], $this->y[$b] - $this->y[$a], $this->x[$p] - $this->x[$a]);
    }

    /** Whether the place across an edge lies within the circle of its triangle, by more than rounding. */
    public function isInCircle(int $edge): bool
    {
        $across = $this->corner[self::previous($this->twin[$edge])];
        [$ox, $oy] = [$this->x[$across], $this->y[$across]];
        $rows = [];
        foreach ([self::previous($edge), $edge, self::next($edge)] as $e) {
            $rows[] = [$this->x[$this->corner[$e]] - $ox, $this->y[$this->corner[$e]] - $oy];
        }
        [[$dx, $dy], [$ex, $ey], [$fx, $fy]] = $rows;
        [$ap, $bp, $cp] = [$dx * $dx + $dy * $dy, $ex * $ex + $ey * $ey, $fx * $fx + $fy * $fy];
        $determinant = $dx * ($ey * $cp - $bp * $fy) - $dy * ($ex * $cp - $bp * $fx) + $ap * ($ex * $fy - $ey * $fx);
        $size = abs($dx) * (abs($ey * $cp) + abs($bp * $fy)) + abs($dy) * (abs($ex * $cp) + abs($bp * $fx)) + $ap * (abs($ex * $fy) + abs($ey * $fx));

        return $determinant < -1e-12 * $size;
    }
}
