<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Adjustment\NormalRange;

/** How flat a face was built, from shots on it: against its design, and against the plane that fits the shots best. */
final readonly class Flatness
{
    /**
     * @param  float  $least  farthest behind the design, metres; above 0 where all lie in front
     * @param  float  $most  farthest in front of it
     * @param  float|null  $bow  from the one farthest behind the plane that fits best to the one farthest before it, metres; null of fewer than four, or of shots in a line
     */
    private function __construct(
        public int $count,
        public float $least,
        public float $most,
        public float $mean,
        public ?float $bow,
    ) {}

    /**
     * @param  list<array{float, float, float}>  $shots  two coordinates along the face, and how far in front of its design, metres
     */
    public static function of(array $shots): ?self
    {
        if ($shots === []) {
            return null;
        }
        $before = array_column($shots, 2);

        return new self(count($shots), min($before), max($before), array_sum($before) / count($before), self::bowOf($shots));
    }

    /**
     * What a flat face would bow by in 95 of 100 cases, for the shots' own sake; the plane that is fitted to them takes some of that away, which is left out.
     *
     * @param  float  $deviation  of one shot square to the face, metres
     */
    public static function byChance(int $count, float $deviation): float
    {
        return $deviation * NormalRange::quantile($count, 0.95);
    }

    /** @param  non-empty-list<array{float, float, float}>  $shots */
    private static function bowOf(array $shots): ?float
    {
        $n = count($shots);
        if ($n < 4) {
            return null;
        }
        [$u, $v, $w] = [array_sum(array_column($shots, 0)) / $n, array_sum(array_column($shots, 1)) / $n, array_sum(array_column($shots, 2)) / $n];
        $uu = $uv = $vv = $uw = $vw = 0.0;
        foreach ($shots as [$x, $y, $z]) {
            [$x, $y, $z] = [$x - $u, $y - $v, $z - $w];
            $uu += $x * $x;
            $uv += $x * $y;
            $vv += $y * $y;
            $uw += $x * $z;
            $vw += $y * $z;
        }
        $det = $uu * $vv - $uv * $uv;
        // In a line they lie on many planes.
        if ($det < 1e-6 * ($uu + $vv) ** 2) {
            return null;
        }
        [$a, $b] = [($uw * $vv - $vw * $uv) / $det, ($vw * $uu - $uw * $uv) / $det];
        $left = array_map(static fn (array $s): float => $s[2] - $w - $a * ($s[0] - $u) - $b * ($s[1] - $v), $shots);

        return max($left) - min($left);
    }
}
