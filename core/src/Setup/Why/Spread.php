<?php

declare(strict_types=1);

namespace Parlay\Core\Setup\Why;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Setup\ControlSight;

/** How far a sight may lie from its mark by chance, given the figure of the others: across the sight, along it, in height. */
final readonly class Spread
{
    /** A cause fits where what is left is within so many standard deviations. */
    public const WITHIN = 3.3;

    private function __construct(
        public float $across,
        public float $along,
        public float $height,
        private float $azimuth,
    ) {}

    public static function of(ControlSight $s, Solved $rest, Accuracy $accuracy): self
    {
        $accuracy = $s->accuracy($accuracy);
        $azimuth = $rest->orientation + $s->sight->circle;
        $d = $s->sight->distance;
        $q = $rest->cofactors;
        $along = self::variance($q, [cos($azimuth), sin($azimuth), 0.0]);
        $across = self::variance($q, [-sin($azimuth), cos($azimuth), $d]);

        return new self(
            sqrt($across + ($d * $accuracy->ofDirection($d)) ** 2), sqrt($along + $accuracy->ofDistance($d) ** 2),
            sqrt(($q[3][3] ?? 0.0) + $accuracy->ofHeight($d) ** 2), $azimuth,
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

    /** How far a place was found from where it should be, in weighted squares over what is to be expected. */
    public function misfit(Position $there, Position $found): float
    {
        [$across, $along, $up] = $this->parts($there, $found);

        return ($across / $this->across) ** 2 + ($along / $this->along) ** 2 + ($up === null ? 0.0 : ($up / $this->height) ** 2) - 3;
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
