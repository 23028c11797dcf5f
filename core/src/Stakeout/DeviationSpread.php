<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Adjustment\Ellipse;
use Parlay\Core\Adjustment\Significance;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\ShotSpread;

/** How far a deviation may be wrong: in the directions in which it can differ at all. Of a line that is across it, of a face square to it. */
final readonly class DeviationSpread
{
    /** A design is looked at so far to either side of what was found, metres. */
    private const STEP = 0.01;

    /**
     * @param  float  $nn  variances of northing, easting and their covariance, square metres
     * @param  float|null  $hh  of the height; null where it has none
     */
    public function __construct(public float $nn, public float $ne, public float $ee, public ?float $hh) {}

    /**
     * @param  \Closure(Position): ?Position  $designedAt  what is designed where something is found; the same everywhere for a point
     */
    public static function of(ShotSpread $spread, Position $found, \Closure $designedAt): self
    {
        $columns = [];
        foreach ([[1, 0, 0], [0, 1, 0], [0, 0, 1]] as [$n, $e, $h]) {
            [$after, $before] = [self::off($found, self::STEP, $n, $e, $h, $designedAt), self::off($found, -self::STEP, $n, $e, $h, $designedAt)];
            $columns[] = array_map(static fn (float $a, float $b): float => ($a - $b) / (2 * self::STEP), $after, $before);
        }
        [$a, $b, $c] = $columns;
        $of = $spread->through([[$a[0], $b[0], $c[0]], [$a[1], $b[1], $c[1]], [$a[2], $b[2], $c[2]]]);
        $high = $found->elevation !== null && $designedAt($found)?->elevation !== null;

        return new self(max(0.0, $of->nn), $of->ne, max(0.0, $of->ee), $high ? max(0.0, $of->hh) : null);
    }

    /**
     * @param  \Closure(Position): ?Position  $designedAt
     * @return array{float, float, float} how far a place beside is off what is designed there
     */
    private static function off(Position $found, float $step, int $n, int $e, int $h, \Closure $designedAt): array
    {
        $beside = new Position($found->northing + $step * $n, $found->easting + $step * $e, $found->elevation === null ? null : $found->elevation + $step * $h);
        $design = $designedAt($beside) ?? $found;

        return [$beside->northing - $design->northing, $beside->easting - $design->easting, ($beside->elevation ?? 0.0) - ($design->elevation ?? 0.0)];
    }

    /** Half the longer axis of the ellipse that holds the true place in 95 of 100 cases; where it can differ in one direction only, 95 of 100 in that. Metres. */
    public function plan(): float
    {
        $ellipse = Ellipse::ninetyFive($this->nn, $this->ee, $this->ne);

        return $ellipse->minor < 1e-6 * $ellipse->major ? $ellipse->major / Ellipse::NINETY_FIVE * Significance::NINETY_FIVE : $ellipse->major;
    }

    /** 95 of 100, metres. */
    public function height(): ?float
    {
        return $this->hh === null ? null : Significance::NINETY_FIVE * sqrt($this->hh);
    }
}
