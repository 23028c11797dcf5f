<?php

declare(strict_types=1);

namespace Parlay\Core\Setup\Why;

use Parlay\Core\Adjustment\Cholesky;
use Parlay\Core\Adjustment\NoSolution;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Setup\ControlSight;

/** How far a sight may lie from its mark by chance, given the figure of the others: across the sight, along it, in height. */
final readonly class Spread
{
    private const WITHIN = 3.3;

    private function __construct(
        public float $across,
        public float $along,
        public float $height,
        private float $azimuth,
    ) {}

    /** @param  list<ControlSight>  $others */
    public static function of(array $others, ControlSight $s, Solved $rest, Accuracy $accuracy): self
    {
        $azimuth = $rest->orientation + $s->sight->circle;
        $d = $s->sight->distance;
        // Covariance of place and orientation from the others.
        $n = [[0.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]];
        $weights = 0.0;
        foreach ($others as $o) {
            $dn = $o->control->northing - $rest->axis->northing;
            $de = $o->control->easting - $rest->axis->easting;
            $r = max(hypot($dn, $de), 0.1);
            foreach ([[[$de / $r ** 2, -$dn / $r ** 2, -1.0], $accuracy->ofDirection($r)], [[-$dn / $r, -$de / $r, 0.0], $accuracy->ofDistance($r)]] as [$a, $sigma]) {
                foreach ($a as $i => $x) {
                    foreach ($a as $k => $y) {
                        $n[$i][$k] += $x * $y / $sigma ** 2;
                    }
                }
            }
            $weights += $o->control->elevation === null ? 0.0 : 1 / $accuracy->ofHeight($r) ** 2;
        }
        try {
            $q = Cholesky::invert($n);
        } catch (NoSolution) {
            $q = [[1e-6, 0.0, 0.0], [0.0, 1e-6, 0.0], [0.0, 0.0, 1e-8]];
        }
        $along = self::variance($q, [cos($azimuth), sin($azimuth), 0.0]);
        $across = self::variance($q, [-sin($azimuth), cos($azimuth), $d]);

        return new self(
            sqrt($across + ($d * $accuracy->ofDirection($d)) ** 2), sqrt($along + $accuracy->ofDistance($d) ** 2),
            sqrt(($weights > 0 ? 1 / $weights : 0.0) + $accuracy->ofHeight($d) ** 2), $azimuth,
        );
    }

    /** @return array{float, float, float|null} where a place was found from where it should be: to the right of the sight, beyond it, higher */
    public function parts(Position $there, Position $found): array
    {
        $n = $found->northing - $there->northing;
        $e = $found->easting - $there->easting;

        return [
            $e * cos($this->azimuth) - $n * sin($this->azimuth), $n * cos($this->azimuth) + $e * sin($this->azimuth),
            $there->elevation === null || $found->elevation === null ? null : $found->elevation - $there->elevation,
        ];
    }

    public function covers(Position $there, Position $found): bool
    {
        [$across, $along, $up] = $this->parts($there, $found);

        return hypot($across / $this->across, $along / $this->along) <= self::WITHIN && ($up === null || abs($up) <= self::WITHIN * $this->height);
    }

    /**
     * @param  list<list<float>>  $q
     * @param  array{float, float, float}  $a
     */
    private static function variance(array $q, array $a): float
    {
        $sum = 0.0;
        foreach ($a as $i => $x) {
            foreach ($a as $k => $y) {
                $sum += $x * $q[$i][$k] * $y;
            }
        }

        return max(0.0, $sum);
    }
}
