<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

/** Changes single triangles of a surface. */
final class SurfaceEditing
{
    /** @throws NoSurface where no triangle is there, or it is the last */
    public static function withoutTriangle(Surface $surface, float $northing, float $easting): Surface
    {
        $triangle = self::at($surface, $northing, $easting);
        $corners = $surface->corners;
        array_splice($corners, 3 * $triangle, 3);

        return $corners === [] ? throw NoSurface::nothingLeft()
            : new Surface($surface->northings, $surface->eastings, $surface->elevations, $corners);
    }

    /**
     * Draws the other diagonal of the two triangles on both sides of the edge that is nearest to a place.
     *
     * @throws NoSurface where there is none, or it can't be
     */
    public static function swapped(Surface $surface, float $northing, float $easting): Surface
    {
        $triangle = self::at($surface, $northing, $easting);
        $a = self::nearestEdge($surface, $triangle, $northing, $easting);
        $b = $surface->twins()[$a];
        if ($b < 0) {
            throw NoSurface::edgeCannotSwap();
        }
        $c = $surface->corners;
        [$p, $q] = [$c[$a], $c[self::next($a)]];
        [$r, $s] = [$c[self::next(self::next($a))], $c[self::next(self::next($b))]];
        foreach ([[$r, $s, $q], [$s, $r, $p]] as $three) {
            if (self::turn($surface, $three) >= 0.0) {
                throw NoSurface::edgeCannotSwap();
            }
        }
        array_splice($c, 3 * intdiv($a, 3), 3, [$r, $s, $q]);
        array_splice($c, 3 * intdiv($b, 3), 3, [$s, $r, $p]);

        return new Surface($surface->northings, $surface->eastings, $surface->elevations, $c);
    }

    private static function at(Surface $surface, float $northing, float $easting): int
    {
        return (new SurfaceIndex($surface))->triangleAt($northing, $easting) ?? throw NoSurface::noSuchTriangle();
    }

    private static function nearestEdge(Surface $surface, int $triangle, float $northing, float $easting): int
    {
        $best = 3 * $triangle;
        $least = INF;
        for ($edge = 3 * $triangle; $edge < 3 * $triangle + 3; $edge++) {
            [$p, $q] = [$surface->point($surface->corners[$edge]), $surface->point($surface->corners[self::next($edge)])];
            $away = abs(($q->northing - $p->northing) * ($easting - $p->easting) - ($q->easting - $p->easting) * ($northing - $p->northing)) / max(1e-9, $p->distanceTo($q));
            if ($away < $least) {
                [$best, $least] = [$edge, $away];
            }
        }

        return $best;
    }

    /**
     * Below 0 where three points turn as the triangles of a surface do.
     *
     * @param  array{int, int, int}  $three
     */
    private static function turn(Surface $s, array $three): float
    {
        [$a, $b, $c] = $three;

        return ($s->northings[$b] - $s->northings[$a]) * ($s->eastings[$c] - $s->eastings[$a]) - ($s->northings[$c] - $s->northings[$a]) * ($s->eastings[$b] - $s->eastings[$a]);
    }

    private static function next(int $edge): int
    {
        return $edge % 3 === 2 ? $edge - 2 : $edge + 1;
    }
}
