<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

/**
 * A rational B-spline curve in space. Evaluated by de Boor's algorithm (Piegl & Tiller, The NURBS Book, A4.1; recalled).
 *
 * x is easting, y is northing, in whatever unit the control points are.
 */
final readonly class Spline
{
    private const CHORDS_PER_SPAN = 16;

    /** A curve of more control points than this turns little from one to the next. */
    private const LONG = 2_000;

    private const CHORDS_PER_SHORT_SPAN = 4;

    /**
     * @param  list<float>  $knots  not decreasing; as many as control points + degree + 1
     * @param  list<array{float, float, float}>  $points  control points
     * @param  list<float>  $weights  positive, one for each control point
     */
    private function __construct(
        public int $degree,
        public array $knots,
        public array $points,
        public array $weights,
    ) {}

    /**
     * @param  list<float>  $knots
     * @param  list<array{float, float, float}>  $points
     * @param  list<float>  $weights  empty for a curve that is not rational
     * @return self|null null where the figures make no curve
     */
    public static function of(int $degree, array $knots, array $points, array $weights = []): ?self
    {
        $count = count($points);
        $weights = $weights === [] ? array_fill(0, $count, 1.0) : $weights;
        $ordered = $knots;
        sort($ordered);
        $good = $degree >= 1 && $degree <= 25 && $count > $degree && count($knots) === $count + $degree + 1
            && count($weights) === $count && min($weights) > 0 && $ordered === $knots && $knots[$degree] < $knots[$count];

        return $good ? new self($degree, $knots, $points, $weights) : null;
    }

    /**
     * The cubic curve with continuous curvature through points: chord lengths as parameter, straight (natural) ends where no tangent is
     * given. Files that store only the points leave the curve between them to the reader; this is one of the usual choices.
     *
     * @param  list<array{float, float, float}>  $points
     * @param  array{float, float, float}|null  $startTangent
     * @param  array{float, float, float}|null  $endTangent
     * @return self|null null for less than two different points
     */
    public static function through(array $points, ?array $startTangent = null, ?array $endTangent = null): ?self
    {
        $kept = [];
        foreach ($points as $p) {
            $last = end($kept);
            if ($last === false || self::distance($last, $p) > 0) {
                $kept[] = $p;
            }
        }
        $n = count($kept) - 1;
        if ($n < 1) {
            return null;
        }
        $h = [];
        for ($i = 0; $i < $n; $i++) {
            $h[] = self::distance($kept[$i], $kept[$i + 1]);
        }
        $slopes = self::slopes($kept, $h, self::unit($startTangent), self::unit($endTangent));
        [$control, $knots, $t] = [[$kept[0]], [0.0, 0.0, 0.0, 0.0], 0.0];
        for ($i = 0; $i < $n; $i++) {
            $t += $h[$i];
            foreach ([0, 1] as $side) {
                $at = $kept[$i + $side];
                $reach = ($side === 0 ? 1 : -1) * $h[$i] / 3;
                $control[] = [
                    $at[0] + $reach * $slopes[$i + $side][0], $at[1] + $reach * $slopes[$i + $side][1],
                    $at[2] + $reach * $slopes[$i + $side][2],
                ];
            }
            $control[] = $kept[$i + 1];
            array_push($knots, $t, $t, $t);
        }
        $knots[] = $t;

        return self::of(3, $knots, $control);
    }

    /** @return array{float, float, float} at a part of its parameter range, 0 to 1 */
    public function at(float $part): array
    {
        $p = $this->degree;
        $n = count($this->points);
        $t = $this->knots[$p] + $part * ($this->knots[$n] - $this->knots[$p]);
        // The last span that begins at or before t, by halves: a curve may have a hundred thousand.
        [$low, $high] = [$p, $n - 1];
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            [$low, $high] = $this->knots[$middle] <= $t ? [$middle, $high] : [$low, $middle - 1];
        }

        return $this->inSpan($low, $t);
    }

    /**
     * Points along the curve, so many chords to each knot span; in time that grows with their number.
     *
     * @param  int|null  $perSpan  null: as many as its size asks for
     * @return list<array{float, float, float}>
     */
    public function chords(?int $perSpan = null): array
    {
        $perSpan ??= $this->chordsPerSpan();
        [$p, $n] = [$this->degree, count($this->points)];
        $points = [];
        for ($span = $p; $span < $n; $span++) {
            [$from, $to] = [$this->knots[$span], $this->knots[$span + 1]];
            if ($to <= $from) {
                continue;
            }
            for ($k = $points === [] ? 0 : 1; $k <= $perSpan; $k++) {
                $points[] = $this->inSpan($span, $from + ($to - $from) * $k / $perSpan);
            }
        }

        return $points;
    }

    /** Plan length: chords halved once, and what halving gained taken a third again (Richardson). */
    public function length(): float
    {
        return $this->lengthAndBounds()[0];
    }

    /** @return array{float, array{float, float, float, float}} plan length; and least x, least y, greatest x, greatest y of its chords */
    public function lengthAndBounds(): array
    {
        $points = $this->chords(2 * $this->chordsPerSpan());
        $fine = $coarse = 0.0;
        [$west, $south, $east, $north] = [INF, INF, -INF, -INF];
        $before = $twoBefore = null;
        foreach ($points as $i => $q) {
            [$west, $south, $east, $north] = [min($west, $q[0]), min($south, $q[1]), max($east, $q[0]), max($north, $q[1])];
            $fine += $before === null ? 0.0 : hypot($q[0] - $before[0], $q[1] - $before[1]);
            if ($i % 2 === 0) {
                $coarse += $twoBefore === null ? 0.0 : hypot($q[0] - $twoBefore[0], $q[1] - $twoBefore[1]);
                $twoBefore = $q;
            }
            $before = $q;
        }

        return [$fine + ($fine - $coarse) / 3, [$west, $south, $east, $north]];
    }

    private function chordsPerSpan(): int
    {
        return count($this->points) > self::LONG ? self::CHORDS_PER_SHORT_SPAN : self::CHORDS_PER_SPAN;
    }

    /** @return array{float, float, float} at the parameter t of a knot span */
    private function inSpan(int $span, float $t): array
    {
        $p = $this->degree;
        $d = [];
        for ($j = 0; $j <= $p; $j++) {
            [$x, $y, $z] = $this->points[$span - $p + $j];
            $w = $this->weights[$span - $p + $j];
            $d[] = [$x * $w, $y * $w, $z * $w, $w];
        }
        for ($r = 1; $r <= $p; $r++) {
            for ($j = $p; $j >= $r; $j--) {
                $i = $span - $p + $j;
                $wide = $this->knots[$i + $p - $r + 1] - $this->knots[$i];
                $a = $wide > 0 ? ($t - $this->knots[$i]) / $wide : 0.0;
                [$before, $own] = [$d[$j - 1], $d[$j]];
                $d[$j] = [
                    (1 - $a) * $before[0] + $a * $own[0], (1 - $a) * $before[1] + $a * $own[1],
                    (1 - $a) * $before[2] + $a * $own[2], (1 - $a) * $before[3] + $a * $own[3],
                ];
            }
        }

        return [$d[$p][0] / $d[$p][3], $d[$p][1] / $d[$p][3], $d[$p][2] / $d[$p][3]];
    }

    /** @param  callable(array{float, float, float}): array{float, float, float}  $map  affine, which a rational B-spline follows exactly */
    public function mapped(callable $map): self
    {
        return new self($this->degree, $this->knots, array_map($map, $this->points), $this->weights);
    }

    /**
     * @return array{degree: int, knots: list<float>, points: list<array{float, float, float|null}>, weights: list<float>} a height that
     *     is not known is null
     */
    public function toArray(): array
    {
        return [
            'degree' => $this->degree, 'knots' => $this->knots, 'weights' => $this->weights,
            'points' => array_map(static fn (array $p): array => [$p[0], $p[1], is_nan($p[2]) ? null : $p[2]], $this->points),
        ];
    }

    /** @param  array{degree: int, knots: list<float>, points: list<array{float, float, float|null}>, weights: list<float>}  $kept */
    public static function fromArray(array $kept): ?self
    {
        $real = static fn (array $values): array => array_map(floatval(...), array_values($values));

        return self::of(
            $kept['degree'], $real($kept['knots']),
            array_map(static fn (array $p): array => [(float) $p[0], (float) $p[1], (float) ($p[2] ?? NAN)], $kept['points']),
            $real($kept['weights']),
        );
    }

    /**
     * Slopes at the points of a cubic with continuous second derivative (tridiagonal system, Thomas algorithm).
     *
     * @param  list<array{float, float, float}>  $p
     * @param  list<float>  $h
     * @param  array{float, float, float}|null  $start
     * @param  array{float, float, float}|null  $end
     * @return list<array{float, float, float}>
     */
    private static function slopes(array $p, array $h, ?array $start, ?array $end): array
    {
        $n = count($h);
        $slopes = [];
        for ($k = 0; $k < 3; $k++) {
            $rise = static fn (int $i): float => ($p[$i + 1][$k] - $p[$i][$k]) / $h[$i];
            [$low, $mid, $up, $right] = [
                [0.0], [$start === null ? 2.0 : 1.0], [$start === null ? 1.0 : 0.0], [$start === null ? 3 * $rise(0) : $start[$k]],
            ];
            for ($i = 1; $i < $n; $i++) {
                $low[] = $h[$i];
                $mid[] = 2 * ($h[$i - 1] + $h[$i]);
                $up[] = $h[$i - 1];
                $right[] = 3 * ($h[$i] * $rise($i - 1) + $h[$i - 1] * $rise($i));
            }
            $low[] = $end === null ? 1.0 : 0.0;
            $mid[] = $end === null ? 2.0 : 1.0;
            $right[] = $end === null ? 3 * $rise($n - 1) : $end[$k];
            for ($i = 1; $i <= $n; $i++) {
                $f = $low[$i] / $mid[$i - 1];
                $mid[$i] -= $f * $up[$i - 1];
                $right[$i] -= $f * $right[$i - 1];
            }
            $of = $right;
            for ($i = $n; $i >= 0; $i--) {
                $of[$i] = ($right[$i] - ($i < $n ? $up[$i] * $of[$i + 1] : 0.0)) / $mid[$i];
            }
            $slopes[] = $of;
        }

        return array_map(static fn (float $x, float $y, float $z): array => [$x, $y, $z], $slopes[0], $slopes[1], $slopes[2]);
    }

    /**
     * @param  array{float, float, float}|null  $v
     * @return array{float, float, float}|null
     */
    private static function unit(?array $v): ?array
    {
        $length = $v === null ? 0.0 : self::distance($v, [0.0, 0.0, 0.0]);

        return $v === null || $length === 0.0 ? null : [$v[0] / $length, $v[1] / $length, $v[2] / $length];
    }

    /**
     * @param  array{float, float, float}  $p
     * @param  array{float, float, float}  $q
     */
    private static function distance(array $p, array $q): float
    {
        return sqrt(($q[0] - $p[0]) ** 2 + ($q[1] - $p[1]) ** 2 + ($q[2] - $p[2]) ** 2);
    }
}
