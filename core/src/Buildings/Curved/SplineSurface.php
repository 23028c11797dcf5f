<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Curved;

use Parlay\Core\Geometry\Space;

/** A rational B-spline surface (Piegl & Tiller, The NURBS Book, A2.2 and A4.3; recalled). */
final class SplineSurface implements CurvedSurface
{
    /** Looked at in each direction before the nearest place is looked for closely. */
    private const LOOKED_AT = 24;

    private const MOST_STEPS = 30;

    private const MOST_POINTS = 40_000;

    /** @var list<array{float, float, array{float, float, float}}>|null */
    private ?array $grid = null;

    /** @var array{float|null, float|null}|null */
    private ?array $closed = null;

    /**
     * @param  list<list<array{float, float, float}>>  $points  by u, then by v; metres
     * @param  list<list<float>>  $weights
     * @param  list<float>  $uKnots
     * @param  list<float>  $vKnots
     */
    private function __construct(
        private readonly int $uDegree,
        private readonly int $vDegree,
        private readonly array $points,
        private readonly array $weights,
        private readonly array $uKnots,
        private readonly array $vKnots,
    ) {}

    /**
     * @param  list<list<array{float, float, float}>>  $points
     * @param  list<list<float>>  $weights  empty where it is not rational
     * @param  list<float>  $uKnots
     * @param  list<float>  $vKnots
     * @return self|null null where the figures make no surface
     */
    public static function of(int $uDegree, int $vDegree, array $points, array $weights, array $uKnots, array $vKnots): ?self
    {
        $rows = count($points);
        $columns = count($points[0] ?? []);
        $weights = $weights === [] ? array_fill(0, $rows, array_fill(0, $columns, 1.0)) : $weights;
        $good = $rows * $columns <= self::MOST_POINTS && self::fits($uDegree, $rows, $uKnots) && self::fits($vDegree, $columns, $vKnots) && count($weights) === $rows;
        foreach ($good ? $points : [] as $i => $row) {
            $good = $good && count($row) === $columns && count($weights[$i]) === $columns && $weights[$i] !== [] && min($weights[$i]) > 0.0;
        }

        return $good ? new self($uDegree, $vDegree, $points, $weights, $uKnots, $vKnots) : null;
    }

    /** @param  list<float>  $knots */
    private static function fits(int $degree, int $count, array $knots): bool
    {
        $ordered = $knots;
        sort($ordered);

        return $degree >= 1 && $degree <= 25 && $count > $degree && count($knots) === $count + $degree + 1 && $ordered === $knots && $knots[$degree] < $knots[$count];
    }

    public function at(float $u, float $v): array
    {
        [$u, $v] = [$this->within($u, 0), $this->within($v, 1)];
        [$i0, $nu] = self::basis($this->uDegree, $this->uKnots, count($this->points), $u);
        [$j0, $nv] = self::basis($this->vDegree, $this->vKnots, count($this->points[0]), $v);
        $x = $y = $z = $w = 0.0;
        foreach ($nu as $i => $a) {
            foreach ($nv as $j => $b) {
                $share = $a * $b * $this->weights[$i0 + $i][$j0 + $j];
                [$px, $py, $pz] = $this->points[$i0 + $i][$j0 + $j];
                $x += $share * $px;
                $y += $share * $py;
                $z += $share * $pz;
                $w += $share;
            }
        }

        return [$x / $w, $y / $w, $z / $w];
    }

    public function nearest(array $place): array
    {
        [$bu, $bv, $least] = [0.0, 0.0, INF];
        foreach ($this->grid ??= $this->looked() as [$u, $v, $at]) {
            $away = Space::length(Space::way($at, $place));
            if ($away < $least) {
                [$bu, $bv, $least] = [$u, $v, $away];
            }
        }

        return $this->closer($bu, $bv, $place);
    }

    /**
     * By steps toward where what is left stands square to the surface (Gauss and Newton), none of which may lead farther away.
     *
     * @param  array{float, float, float}  $place
     * @return array{float, float}
     */
    private function closer(float $u, float $v, array $place): array
    {
        [$u0, $u1, $v0, $v1] = $this->range();
        [$hu, $hv] = [1e-6 * ($u1 - $u0), 1e-6 * ($v1 - $v0)];
        $at = $this->at($u, $v);
        $least = Space::length(Space::way($at, $place));
        for ($k = 0; $k < self::MOST_STEPS && $least > 1e-9; $k++) {
            // Inward, where it ends.
            [$su, $sv] = [$u + $hu > $u1 ? -$hu : $hu, $v + $hv > $v1 ? -$hv : $hv];
            $a = array_map(static fn (float $d): float => $d / $su, Space::way($at, $this->at($u + $su, $v)));
            $b = array_map(static fn (float $d): float => $d / $sv, Space::way($at, $this->at($u, $v + $sv)));
            $left = Space::way($at, $place);
            [$aa, $ab, $bb] = [Space::dot($a, $a), Space::dot($a, $b), Space::dot($b, $b)];
            $free = $aa * $bb - $ab * $ab;
            [$al, $bl] = [Space::dot($a, $left), Space::dot($b, $left)];
            [$du, $dv] = $free > 1e-12 * $aa * $bb ? [($bb * $al - $ab * $bl) / $free, ($aa * $bl - $ab * $al) / $free] : [$aa > 0.0 ? $al / $aa : 0.0, 0.0];
            for ($part = 1.0; $part > 1e-4; $part /= 4) {
                [$nu, $nv] = [max($u0, min($u1, $u + $part * $du)), max($v0, min($v1, $v + $part * $dv))];
                $there = $this->at($nu, $nv);
                $away = Space::length(Space::way($there, $place));
                if ($away < $least) {
                    break;
                }
            }
            if ($away >= $least) {
                break;
            }
            $gained = $least - $away;
            [$u, $v, $at, $least] = [$nu, $nv, $there, $away];
            if ($gained < 1e-12) {
                break;
            }
        }

        return [$u, $v];
    }

    public function periods(): array
    {
        return $this->closed ??= $this->seams();
    }

    /** Beyond its range a surface that closes goes on from its other side. */
    private function within(float $t, int $k): float
    {
        [$from, $to] = array_slice($this->range(), 2 * $k, 2);
        if (($t >= $from && $t <= $to) || $this->periods()[$k] === null) {
            return $t;
        }

        return $t - ($to - $from) * floor(($t - $from) / ($to - $from));
    }

    /** @return array{float|null, float|null} */
    private function seams(): array
    {
        [$u0, $u1, $v0, $v1] = $this->range();
        $same = fn (float $a, float $b, float $c, float $d): bool => Space::length(Space::way($this->at($a, $b), $this->at($c, $d))) < 1e-6;
        $closed = static fn (array $pairs): bool => ! in_array(false, array_map(static fn (array $p): bool => $same(...$p), $pairs), true);
        $parts = [0.0, 0.31, 0.5, 0.83, 1.0];

        return [
            $closed(array_map(static fn (float $t): array => [$u0, $v0 + $t * ($v1 - $v0), $u1, $v0 + $t * ($v1 - $v0)], $parts)) ? $u1 - $u0 : null,
            $closed(array_map(static fn (float $t): array => [$u0 + $t * ($u1 - $u0), $v0, $u0 + $t * ($u1 - $u0), $v1], $parts)) ? $v1 - $v0 : null,
        ];
    }

    public function corners(): array
    {
        return [false, false];
    }

    public function poles(): array
    {
        [$u0, $u1, $v0, $v1] = $this->range();
        $one = fn (float $v): ?float => Space::length(Space::way($this->at($u0, $v), $this->at(($u0 + $u1) / 2, $v))) < 1e-6
            && Space::length(Space::way($this->at($u0, $v), $this->at($u0 + 0.31 * ($u1 - $u0), $v))) < 1e-6 ? $v : null;

        return [$one($v0), $one($v1)];
    }

    /** @return array{float, float, float, float} */
    private function range(): array
    {
        return [
            $this->uKnots[$this->uDegree], $this->uKnots[count($this->points)], $this->vKnots[$this->vDegree], $this->vKnots[count($this->points[0])],
        ];
    }

    /** @return list<array{float, float, array{float, float, float}}> */
    private function looked(): array
    {
        [$u0, $u1, $v0, $v1] = $this->range();
        $grid = [];
        for ($i = 0; $i <= self::LOOKED_AT; $i++) {
            for ($j = 0; $j <= self::LOOKED_AT; $j++) {
                [$u, $v] = [$u0 + ($u1 - $u0) * $i / self::LOOKED_AT, $v0 + ($v1 - $v0) * $j / self::LOOKED_AT];
                $grid[] = [$u, $v, $this->at($u, $v)];
            }
        }

        return $grid;
    }

    /**
     * @param  list<float>  $knots
     * @return array{int, list<float>} the first point that counts, and how much each does
     */
    private static function basis(int $degree, array $knots, int $count, float $t): array
    {
        $t = max($knots[$degree], min($knots[$count], $t));
        [$low, $high] = [$degree, $count - 1];
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            [$low, $high] = $knots[$middle] <= $t ? [$middle, $high] : [$low, $middle - 1];
        }
        // The last span may be one of no width.
        while ($low > $degree && $knots[$low] >= $knots[$low + 1]) {
            $low--;
        }
        $n = [1.0];
        for ($j = 1; $j <= $degree; $j++) {
            $saved = 0.0;
            for ($r = 0; $r < $j; $r++) {
                $right = $knots[$low + $r + 1] - $t;
                $left = $t - $knots[$low + 1 - $j + $r];
                $share = $n[$r] / ($right + $left);
                $n[$r] = $saved + $right * $share;
                $saved = $left * $share;
            }
            $n[$j] = $saved;
        }

        return [$low - $degree, array_values($n)];
    }
}
