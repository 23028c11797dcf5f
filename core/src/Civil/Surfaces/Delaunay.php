<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

/**
 * The Delaunay triangulation of places, swept outward from their middle with a hull that is found by angle.
 *
 * Source: D. Sinclair, "S-hull: a fast sweep-hull routine for Delaunay triangulation", 2010; flips by Lawson's in-circle test. Of edges,
 * edge e runs from corner[e] to corner[next(e)]; three to a triangle, counter-clockwise when northing is x and easting y is mirrored:
 * all triangles turn the same way.
 */
final class Delaunay
{
    /** Places are moved to multiples of this, metres (a thousandth of a millimetre), so that their differences are exact. */
    private const GRID = 1 / 1048576;

    /** Rounding of a product of two differences, relative. */
    private const ROUNDING = 3.3306690738754716e-16;

    /**
     * @param  array<int, float>  $x  metres
     * @param  array<int, float>  $y  metres
     *
     * @throws NoSurface where fewer than three places differ, or all lie in one line
     */
    public static function of(array $x, array $y): Mesh
    {
        [$x, $y] = self::exact($x, $y);
        $n = count($x);
        if ($n < 3 || $y === []) {
            throw NoSurface::tooFewPoints($n);
        }
        $cx = (min($x) + max($x)) / 2;
        $cy = (min($y) + max($y)) / 2;
        [$i0, $i1, $i2] = self::seed($x, $y, $cx, $cy);
        [$ccx, $ccy] = self::circumcentre($x[$i0], $y[$i0], $x[$i1], $y[$i1], $x[$i2], $y[$i2]);
        $distances = [];
        for ($i = 0; $i < $n; $i++) {
            $dx = $x[$i] - $ccx;
            $dy = $y[$i] - $ccy;
            $distances[$i] = $dx * $dx + $dy * $dy;
        }
        asort($distances);

        return self::sweep($x, $y, array_keys($distances), $i0, $i1, $i2, $ccx, $ccy);
    }

    /** A distance from the origin, as the tests take it; metres. */
    public static function onGrid(float $away): float
    {
        return round($away / self::GRID) * self::GRID;
    }

    /**
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @return array{array<int, float>, array<int, float>}
     */
    private static function exact(array $x, array $y): array
    {
        if ($x === []) {
            throw NoSurface::tooFewPoints(0);
        }
        $ox = floor($x[0]);
        $oy = floor($y[0]);
        foreach ($x as $i => $v) {
            $x[$i] = round(($v - $ox) / self::GRID) * self::GRID;
            $y[$i] = round(($y[$i] - $oy) / self::GRID) * self::GRID;
        }

        return [$x, $y];
    }

    /**
     * Three places whose circle is small, near the middle.
     *
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @return array{int, int, int} turning counter-clockwise
     */
    private static function seed(array $x, array $y, float $cx, float $cy): array
    {
        $n = count($x);
        $i0 = 0;
        $least = INF;
        for ($i = 0; $i < $n; $i++) {
            $d = ($x[$i] - $cx) ** 2 + ($y[$i] - $cy) ** 2;
            if ($d < $least) {
                [$i0, $least] = [$i, $d];
            }
        }
        $i1 = -1;
        $least = INF;
        for ($i = 0; $i < $n; $i++) {
            $d = ($x[$i] - $x[$i0]) ** 2 + ($y[$i] - $y[$i0]) ** 2;
            if ($d < $least && $d > 0.0) {
                [$i1, $least] = [$i, $d];
            }
        }
        $i2 = -1;
        $least = INF;
        if ($i1 >= 0) {
            for ($i = 0; $i < $n; $i++) {
                $r = self::circumradius($x[$i0], $y[$i0], $x[$i1], $y[$i1], $x[$i], $y[$i]);
                if ($r < $least) {
                    [$i2, $least] = [$i, $r];
                }
            }
        }
        if ($i2 < 0) {
            throw NoSurface::inOneLine();
        }

        return self::cross($x[$i1] - $x[$i0], $y[$i2] - $y[$i0], $y[$i1] - $y[$i0], $x[$i2] - $x[$i0]) > 0.0 ? [$i0, $i2, $i1] : [$i0, $i1, $i2];
    }

    /**
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @param  array<int, int>  $order  nearest to the middle first
     */
    private static function sweep(array $x, array $y, array $order, int $i0, int $i1, int $i2, float $ccx, float $ccy): Mesh
    {
        $n = count($x);
        $size = (int) ceil(sqrt($n));
        // The hull: who follows whom, and the edge that leaves each.
        $next = $prev = $edgeOf = array_fill(0, $n, 0);
        $hash = array_fill(0, $size, -1);
        $start = $i0;
        $next[$i0] = $prev[$i2] = $i1;
        $next[$i1] = $prev[$i0] = $i2;
        $next[$i2] = $prev[$i1] = $i0;
        [$edgeOf[$i0], $edgeOf[$i1], $edgeOf[$i2]] = [0, 1, 2];
        foreach ([$i0, $i1, $i2] as $i) {
            $hash[self::angle($x[$i] - $ccx, $y[$i] - $ccy, $size)] = $i;
        }
        $corner = [$i0, $i1, $i2];
        $twin = [-1, -1, -1];
        $length = 3;
        $px = $py = NAN;
        foreach ($order as $i) {
            $qx = $x[$i];
            $qy = $y[$i];
            if (($qx === $px && $qy === $py) || $i === $i0 || $i === $i1 || $i === $i2) {
                continue;
            }
            $px = $qx;
            $py = $qy;
            $key = self::angle($qx - $ccx, $qy - $ccy, $size);
            $from = $start;
            for ($j = 0; $j < $size; $j++) {
                $from = $hash[($key + $j) % $size];
                if ($from !== -1 && $from !== $next[$from]) {
                    break;
                }
            }
            $e = $from = $prev[$from];
            while (true) {
                $m = $next[$e];
                $l = ($qy - $y[$m]) * ($x[$e] - $x[$m]);
                $r = ($qx - $x[$m]) * ($y[$e] - $y[$m]);
                $d = $r - $l;
                if ($d > 0.0 ? ($d >= self::ROUNDING * abs($l + $r) || self::cross($qx - $x[$m], $y[$e] - $y[$m], $qy - $y[$m], $x[$e] - $x[$m]) > 0.0)
                    : ($d > -self::ROUNDING * abs($l + $r) && self::cross($qx - $x[$m], $y[$e] - $y[$m], $qy - $y[$m], $x[$e] - $x[$m]) > 0.0)) {
                    break;
                }
                $e = $m;
                if ($e === $from) {
                    // The same as a place that is in already.
                    continue 2;
                }
            }
            $h = $edgeOf[$e];
            $corner[] = $e;
            $corner[] = $i;
            $corner[] = $m;
            $twin[] = -1;
            $twin[] = -1;
            $twin[] = $h;
            $twin[$h] = $length + 2;
            $edgeOf[$i] = $length + 1;
            $edgeOf[$e] = $length;
            $pending = [$length + 2];
            $length += 3;
            // Forward along the hull as far as it is seen, and backward.
            while (true) {
                $q = $next[$m];
                $l = ($qy - $y[$q]) * ($x[$m] - $x[$q]);
                $r = ($qx - $x[$q]) * ($y[$m] - $y[$q]);
                $d = $r - $l;
                if ($d > 0.0 ? ($d < self::ROUNDING * abs($l + $r) && self::cross($qx - $x[$q], $y[$m] - $y[$q], $qy - $y[$q], $x[$m] - $x[$q]) <= 0.0)
                    : ($d <= -self::ROUNDING * abs($l + $r) || self::cross($qx - $x[$q], $y[$m] - $y[$q], $qy - $y[$q], $x[$m] - $x[$q]) <= 0.0)) {
                    break;
                }
                $a = $edgeOf[$i];
                $b = $edgeOf[$m];
                $corner[] = $m;
                $corner[] = $i;
                $corner[] = $q;
                $twin[] = $a;
                $twin[] = -1;
                $twin[] = $b;
                $twin[$a] = $length;
                $twin[$b] = $length + 2;
                $edgeOf[$i] = $length + 1;
                $pending[] = $length + 2;
                $length += 3;
                $next[$m] = $m;
                $m = $q;
            }
            if ($e === $from) {
                while (true) {
                    $q = $prev[$e];
                    $l = ($qy - $y[$e]) * ($x[$q] - $x[$e]);
                    $r = ($qx - $x[$e]) * ($y[$q] - $y[$e]);
                    $d = $r - $l;
                    if ($d > 0.0 ? ($d < self::ROUNDING * abs($l + $r) && self::cross($qx - $x[$e], $y[$q] - $y[$e], $qy - $y[$e], $x[$q] - $x[$e]) <= 0.0)
                        : ($d <= -self::ROUNDING * abs($l + $r) || self::cross($qx - $x[$e], $y[$q] - $y[$e], $qy - $y[$e], $x[$q] - $x[$e]) <= 0.0)) {
                        break;
                    }
                    $a = $edgeOf[$e];
                    $b = $edgeOf[$q];
                    $corner[] = $q;
                    $corner[] = $i;
                    $corner[] = $e;
                    $twin[] = -1;
                    $twin[] = $a;
                    $twin[] = $b;
                    $twin[$a] = $length + 1;
                    $twin[$b] = $length + 2;
                    $edgeOf[$q] = $length;
                    $pending[] = $length + 2;
                    $length += 3;
                    $next[$e] = $e;
                    $e = $q;
                }
            }
            $start = $prev[$i] = $e;
            $next[$e] = $prev[$m] = $i;
            $next[$i] = $m;
            $hash[$key] = $i;
            $hash[self::angle($x[$e] - $ccx, $y[$e] - $ccy, $size)] = $e;

            // Flip what is not Delaunay; every flip asks its neighbours again.
            while ($pending !== []) {
                $a = array_pop($pending);
                $b = $twin[$a];
                if ($b === -1) {
                    continue;
                }
                $ar = $a % 3 === 0 ? $a + 2 : $a - 1;
                $bl = $b % 3 === 0 ? $b + 2 : $b - 1;
                $al = $a % 3 === 2 ? $a - 2 : $a + 1;
                $p0 = $corner[$ar];
                $pr = $corner[$a];
                $pl = $corner[$al];
                $p1 = $corner[$bl];
                $ox = $x[$p1];
                $oy = $y[$p1];
                $dx = $x[$p0] - $ox;
                $dy = $y[$p0] - $oy;
                $ex = $x[$pr] - $ox;
                $ey = $y[$pr] - $oy;
                $fx = $x[$pl] - $ox;
                $fy = $y[$pl] - $oy;
                $bp = $ex * $ex + $ey * $ey;
                $cp = $fx * $fx + $fy * $fy;
                if ($dx * ($ey * $cp - $bp * $fy) - $dy * ($ex * $cp - $bp * $fx) + ($dx * $dx + $dy * $dy) * ($ex * $fy - $ey * $fx) >= 0.0) {
                    continue;
                }
                $corner[$a] = $p1;
                $corner[$b] = $p0;
                $hbl = $twin[$bl];
                $har = $twin[$ar];
                $twin[$a] = $hbl;
                if ($hbl === -1) {
                    $edgeOf[$p1] = $a;
                } else {
                    $twin[$hbl] = $a;
                }
                $twin[$b] = $har;
                if ($har === -1) {
                    $edgeOf[$p0] = $b;
                } else {
                    $twin[$har] = $b;
                }
                $twin[$ar] = $bl;
                $twin[$bl] = $ar;
                $pending[] = $b % 3 === 2 ? $b - 2 : $b + 1;
                $pending[] = $a;
            }
        }

        return new Mesh($x, $y, $corner, $twin);
    }

    /** Where on the hull a direction is looked for: grows with the angle, without its arc tangent. */
    private static function angle(float $dx, float $dy, int $size): int
    {
        $sum = abs($dx) + abs($dy);
        $p = $sum === 0.0 ? 0.0 : $dx / $sum;

        return ((int) (($dy > 0.0 ? 3.0 - $p : 1.0 + $p) / 4.0 * $size)) % $size;
    }

    /** a·b - c·d, right in its sign for differences of places on the grid: products are split so that nothing is lost. */
    public static function cross(float $a, float $b, float $c, float $d): float
    {
        $l = $a * $b;
        $r = $c * $d;

        return ($l - $r) + (self::lost($a, $b, $l) - self::lost($c, $d, $r));
    }

    /** What rounding took from the product p of a and b (Dekker, "A floating-point technique for extending the available precision", 1971). */
    private static function lost(float $a, float $b, float $p): float
    {
        $t = 134217729.0 * $a;
        $ah = $t - ($t - $a);
        $al = $a - $ah;
        $t = 134217729.0 * $b;
        $bh = $t - ($t - $b);
        $bl = $b - $bh;

        return $al * $bl - ((($p - $ah * $bh) - $al * $bh) - $ah * $bl);
    }

    private static function circumradius(float $ax, float $ay, float $bx, float $by, float $cx, float $cy): float
    {
        [$x, $y] = self::circumcentre($ax, $ay, $bx, $by, $cx, $cy);
        $r = ($x - $ax) ** 2 + ($y - $ay) ** 2;

        return is_nan($r) ? INF : $r;
    }

    /** @return array{float, float} infinite where all three lie in one line */
    private static function circumcentre(float $ax, float $ay, float $bx, float $by, float $cx, float $cy): array
    {
        [$dx, $dy, $ex, $ey] = [$bx - $ax, $by - $ay, $cx - $ax, $cy - $ay];
        $twice = 2 * self::cross($dx, $ey, $dy, $ex);
        if ($twice === 0.0) {
            return [INF, INF];
        }
        [$bl, $cl] = [$dx * $dx + $dy * $dy, $ex * $ex + $ey * $ey];

        return [$ax + ($ey * $bl - $dy * $cl) / $twice, $ay + ($dx * $cl - $ex * $bl) / $twice];
    }
}
