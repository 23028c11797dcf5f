<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Volumes;

use Parlay\Core\Civil\Surfaces\NoSurface;
use Parlay\Core\Civil\Surfaces\Outline;
use Parlay\Core\Civil\Surfaces\Surface;
use Parlay\Core\Civil\Surfaces\SurfaceIndex;
use Parlay\Core\Civil\Surfaces\SurfaceMaking;
use Parlay\Core\Geometry\Position;

/**
 * Volumes by laying two triangulations over each other: over every piece that one triangle of each has in common the height between them
 * is linear, so its prism is exact. Where the two cross within a piece, cut and fill are parted along the line where they meet.
 *
 * Pieces are found by clipping one triangle at the edges of the other (I. E. Sutherland and G. W. Hodgman, "Reentrant polygon clipping",
 * Communications of the ACM 17, 1974).
 */
final class Overlay
{
    /** Pieces smaller than this are rounding, metres². */
    private const NOTHING = 1e-12;

    private float $cut = 0.0;

    private float $fill = 0.0;

    private float $cutArea = 0.0;

    private float $fillArea = 0.0;

    private float $level = 0.0;

    /** @var array{float, float, float} metres, and where */
    private array $deepest = [0.0, 0.0, 0.0];

    /** @var array{float, float, float} */
    private array $highest = [0.0, 0.0, 0.0];

    private function __construct(private readonly float $north, private readonly float $east) {}

    /** @throws NoSurface where they have no ground in common */
    public static function between(Surface $first, Surface $second): Volume
    {
        $p = $first->point($first->corners[0]);
        $overlay = new self($p->northing, $p->easting);
        $overlay->lay($first, new SurfaceIndex($second));

        return $overlay->volume();
    }

    /** Against one height, metres. */
    public static function aboveElevation(Surface $first, float $elevation): Volume
    {
        $p = $first->point($first->corners[0]);
        $overlay = new self($p->northing, $p->easting);
        for ($t = 0, $count = $first->count(); $t < $count; $t++) {
            [$n, $e, $z] = $overlay->local($first, $t);
            $overlay->add($n, $e, [$z[0] - $elevation, $z[1] - $elevation, $z[2] - $elevation]);
        }

        return $overlay->volume();
    }

    /**
     * The part of a surface within an outline.
     *
     * @throws NoSurface where they have no ground in common
     */
    public static function within(Surface $surface, Outline $outline): Surface
    {
        $flat = array_map(static fn (Position $p) => $p->at(0.0), $outline->corners);
        $index = new SurfaceIndex(SurfaceMaking::of($flat, outer: new Outline($flat))->surface);
        $p = $surface->point($surface->corners[0]);
        $overlay = new self($p->northing, $p->easting);
        $n = $e = $z = $corners = [];
        $overlay->pieces($surface, $index, static function (array $pn, array $pe, array $a) use ($p, &$n, &$e, &$z, &$corners): void {
            $first = count($n);
            foreach ($pn as $i => $north) {
                $n[] = $p->northing + $north;
                $e[] = $p->easting + $pe[$i];
                $z[] = $a[0] + $north * $a[1] + $pe[$i] * $a[2];
                if ($i >= 2) {
                    array_push($corners, $first, $first + $i - 1, $first + $i);
                }
            }
        });

        return $corners === [] ? throw NoSurface::noOverlap() : new Surface($n, $e, $z, $corners);
    }

    private function lay(Surface $first, SurfaceIndex $second): void
    {
        $this->pieces($first, $second, function (array $n, array $e, array $a, array $b): void {
            $d = [];
            foreach ($n as $i => $north) {
                $d[] = $a[0] - $b[0] + $north * ($a[1] - $b[1]) + $e[$i] * ($a[2] - $b[2]);
            }
            $this->add($n, $e, $d);
        });
    }

    /**
     * Every piece that a triangle of the one and of the other have in common.
     *
     * @param  callable(non-empty-array<int, float>, non-empty-array<int, float>, array{float, float, float}, array{float, float, float}): void  $with  corners from the
     *                                                                                                                  origin, and both planes: height there, rise to the north, rise to the east
     */
    private function pieces(Surface $first, SurfaceIndex $second, callable $with): void
    {
        $planes = [];
        for ($t = 0, $count = $first->count(); $t < $count; $t++) {
            [$an, $ae, $az] = $this->local($first, $t);
            $plane = self::plane($an, $ae, $az);
            if ($plane === null) {
                continue;
            }
            [$south, $north, $west, $east] = [min($an), max($an), min($ae), max($ae)];
            $near = $second->within($south + $this->north, $west + $this->east, $north + $this->north, $east + $this->east);
            foreach ($near as $other) {
                $planes[$other] ??= $this->kept($second->surface, $other);
                [$bn, $be, $under, $bSouth, $bNorth, $bWest, $bEast] = $planes[$other];
                if ($under === null || $bSouth >= $north || $bNorth <= $south || $bWest >= $east || $bEast <= $west) {
                    continue;
                }
                [$n, $e] = self::clipped($an, $ae, $bn, $be);
                if (count($n) >= 3 && $e !== []) {
                    $with($n, $e, $plane, $under);
                }
            }
        }
    }

    /** @return array{non-empty-array<int, float>, non-empty-array<int, float>, array{float, float, float}|null, float, float, float, float} a triangle, its plane, its box */
    private function kept(Surface $surface, int $triangle): array
    {
        [$n, $e, $z] = $this->local($surface, $triangle);
        // All turn the same way, so that clipping knows the inner side.
        if (($n[1] - $n[0]) * ($e[2] - $e[0]) - ($n[2] - $n[0]) * ($e[1] - $e[0]) < 0.0) {
            [$n, $e, $z] = [[$n[0], $n[2], $n[1]], [$e[0], $e[2], $e[1]], [$z[0], $z[2], $z[1]]];
        }

        return [$n, $e, self::plane($n, $e, $z), min($n), max($n), min($e), max($e)];
    }

    /** @return array{non-empty-array<int, float>, non-empty-array<int, float>, non-empty-array<int, float>} a triangle from the origin of the sums */
    private function local(Surface $s, int $t): array
    {
        [$a, $b, $c] = [$s->corners[3 * $t], $s->corners[3 * $t + 1], $s->corners[3 * $t + 2]];

        return [
            [$s->northings[$a] - $this->north, $s->northings[$b] - $this->north, $s->northings[$c] - $this->north],
            [$s->eastings[$a] - $this->east, $s->eastings[$b] - $this->east, $s->eastings[$c] - $this->east],
            [$s->elevations[$a], $s->elevations[$b], $s->elevations[$c]],
        ];
    }

    /**
     * @param  non-empty-array<int, float>  $n
     * @param  non-empty-array<int, float>  $e
     * @param  non-empty-array<int, float>  $z
     * @return array{float, float, float}|null height at the origin, rise to the north and to the east; null of a triangle without area
     */
    private static function plane(array $n, array $e, array $z): ?array
    {
        [$bn, $be, $cn, $ce] = [$n[1] - $n[0], $e[1] - $e[0], $n[2] - $n[0], $e[2] - $e[0]];
        $area = $bn * $ce - $cn * $be;
        if (abs($area) < self::NOTHING) {
            return null;
        }
        $toNorth = (($z[1] - $z[0]) * $ce - ($z[2] - $z[0]) * $be) / $area;
        $toEast = ($bn * ($z[2] - $z[0]) - $cn * ($z[1] - $z[0])) / $area;

        return [$z[0] - $n[0] * $toNorth - $e[0] * $toEast, $toNorth, $toEast];
    }

    /**
     * A polygon within a triangle.
     *
     * @param  non-empty-array<int, float>  $n
     * @param  non-empty-array<int, float>  $e
     * @param  non-empty-array<int, float>  $bn  of the triangle, which turns clockwise with northing to the right and easting up reversed
     * @param  non-empty-array<int, float>  $be
     * @return array{array<int, float>, array<int, float>}
     */
    private static function clipped(array $n, array $e, array $bn, array $be): array
    {
        for ($k = 0; $k < 3 && $n !== []; $k++) {
            $pn = $bn[$k];
            $pe = $be[$k];
            $dn = $bn[($k + 1) % 3] - $pn;
            $de = $be[($k + 1) % 3] - $pe;
            $outN = $outE = [];
            $last = count($n) - 1;
            $fn = $n[$last];
            $fe = $e[$last];
            $fs = $dn * ($fe - $pe) - $de * ($fn - $pn);
            foreach ($n as $i => $tn) {
                $te = $e[$i];
                $ts = $dn * ($te - $pe) - $de * ($tn - $pn);
                if ($ts >= 0.0) {
                    if ($fs < 0.0) {
                        $share = $fs / ($fs - $ts);
                        $outN[] = $fn + $share * ($tn - $fn);
                        $outE[] = $fe + $share * ($te - $fe);
                    }
                    $outN[] = $tn;
                    $outE[] = $te;
                } elseif ($fs >= 0.0) {
                    $share = $fs / ($fs - $ts);
                    $outN[] = $fn + $share * ($tn - $fn);
                    $outE[] = $fe + $share * ($te - $fe);
                }
                $fn = $tn;
                $fe = $te;
                $fs = $ts;
            }
            $n = $outN;
            $e = $outE;
        }

        return [$n, $e];
    }

    /**
     * Adds the prisms over a piece.
     *
     * @param  non-empty-array<int, float>  $n
     * @param  non-empty-array<int, float>  $e
     * @param  non-empty-array<int, float>  $d  the first less the second at each corner, metres
     */
    private function add(array $n, array $e, array $d): void
    {
        $low = min($d);
        $high = max($d);
        if ($high > $this->highest[0]) {
            $i = (int) array_search($high, $d, true);
            $this->highest = [$high, $n[$i], $e[$i]];
        }
        if ($low < $this->deepest[0]) {
            $i = (int) array_search($low, $d, true);
            $this->deepest = [$low, $n[$i], $e[$i]];
        }
        if ($low >= 0.0 || $high <= 0.0) {
            $this->sum($n, $e, $d);

            return;
        }
        foreach ([1.0, -1.0] as $sign) {
            $pn = $pe = $pd = [];
            $last = count($n) - 1;
            foreach ($n as $i => $north) {
                $f = $i === 0 ? $last : $i - 1;
                $inside = $d[$i] * $sign >= 0.0;
                $before = $d[$f] * $sign >= 0.0;
                if ($inside !== $before) {
                    $share = $d[$f] / ($d[$f] - $d[$i]);
                    $pn[] = $n[$f] + $share * ($north - $n[$f]);
                    $pe[] = $e[$f] + $share * ($e[$i] - $e[$f]);
                    $pd[] = 0.0;
                }
                if ($inside) {
                    $pn[] = $north;
                    $pe[] = $e[$i];
                    $pd[] = $d[$i];
                }
            }
            if (count($pn) >= 3 && $pe !== [] && $pd !== []) {
                $this->sum($pn, $pe, $pd);
            }
        }
    }

    /**
     * A piece where the difference has one sign.
     *
     * @param  non-empty-array<int, float>  $n
     * @param  non-empty-array<int, float>  $e
     * @param  non-empty-array<int, float>  $d
     */
    private function sum(array $n, array $e, array $d): void
    {
        $area = $volume = 0.0;
        for ($i = 2, $count = count($n); $i < $count; $i++) {
            $part = abs(($n[$i - 1] - $n[0]) * ($e[$i] - $e[0]) - ($n[$i] - $n[0]) * ($e[$i - 1] - $e[0])) / 2;
            $area += $part;
            $volume += $part * ($d[0] + $d[$i - 1] + $d[$i]) / 3;
        }
        if ($volume > 0.0) {
            $this->cut += $volume;
            $this->cutArea += $area;
        } elseif ($volume < 0.0) {
            $this->fill -= $volume;
            $this->fillArea += $area;
        } else {
            $this->level += $area;
        }
    }

    /** @throws NoSurface where they have no ground in common */
    private function volume(): Volume
    {
        if ($this->cutArea + $this->fillArea + $this->level <= self::NOTHING) {
            throw NoSurface::noOverlap();
        }
        $at = fn (array $place): ?Position => $place[0] === 0.0 ? null : new Position($this->north + $place[1], $this->east + $place[2]);

        return new Volume(
            cut: $this->cut,
            fill: $this->fill,
            cutArea: $this->cutArea,
            fillArea: $this->fillArea,
            level: $this->level,
            deepestCut: $this->highest[0],
            deepestFill: -$this->deepest[0],
            deepestCutAt: $at($this->highest),
            deepestFillAt: $at($this->deepest),
        );
    }
}
