<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Adjustment\ChiSquare;
use Parlay\Core\Adjustment\Cholesky;
use Parlay\Core\Adjustment\Ellipse;
use Parlay\Core\Adjustment\Significance;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\ShotSpread;

/**
 * One place measured from two setups: how the second differs from the first, whether that is what both let expect, and the mean of both, weighted by their uncertainties. What both setups have of the
 * same control is taken as if each had its own: a little more is expected of them than is shared.
 */
final readonly class TwiceMeasured
{
    /**
     * @param  Deviation  $difference  the second less the first
     * @param  float  $expectedPlan  half the longer axis of the ellipse that holds such a difference in 95 of 100 cases, metres
     * @param  float|null  $expectedHeight  95 of 100, metres; null where one of them has no elevation
     * @param  bool  $agrees  whether a difference like this, or a larger one, comes in more than 1 of 100 cases
     * @param  ShotSpread  $meanSpread  how far the mean may be wrong
     */
    private function __construct(
        public Deviation $difference,
        public float $expectedPlan,
        public ?float $expectedHeight,
        public bool $agrees,
        public Position $mean,
        public ShotSpread $meanSpread,
    ) {}

    public static function of(Position $first, ShotSpread $a, Position $second, ShotSpread $b): self
    {
        $difference = Deviation::between($first, $second);
        $both = $a->plus($b);
        $hasHeight = $difference->height !== null;
        $off = $hasHeight ? [$difference->northing, $difference->easting, $difference->height] : [$difference->northing, $difference->easting];
        // What the mean moves from the first toward the second: covariance of the first times the weights of the difference.
        $moved = self::times($a->matrix(count($off)), self::times(Cholesky::invert($both->matrix(count($off))), $off));

        return new self(
            $difference, Ellipse::ninetyFive($both->nn, $both->ee, $both->ne)->major, $hasHeight ? Significance::NINETY_FIVE * sqrt($both->hh) : null,
            ChiSquare::below($both->square($off), count($off)) <= Significance::CHECK,
            new Position($first->northing + $moved[0], $first->easting + $moved[1], $hasHeight ? (float) $first->elevation + ($moved[2] ?? 0.0) : null), self::parallel($a, $b, count($off)),
        );
    }

    /** The inverse of the sum of both inverses. */
    private static function parallel(ShotSpread $a, ShotSpread $b, int $size): ShotSpread
    {
        [$p, $q] = [Cholesky::invert($a->matrix($size)), Cholesky::invert($b->matrix($size))];
        $sum = array_map(static fn (array $r, array $s): array => array_map(static fn (float $x, float $y): float => $x + $y, $r, $s), $p, $q);
        $m = Cholesky::invert($sum);

        return new ShotSpread($m[0][0], $m[0][1], $m[0][2] ?? 0.0, $m[1][1], $m[1][2] ?? 0.0, $m[2][2] ?? 0.0);
    }

    /**
     * @param  array<list<float>>  $m
     * @param  list<float>  $v
     * @return list<float>
     */
    private static function times(array $m, array $v): array
    {
        return array_values(array_map(static fn (array $row): float => array_sum(array_map(static fn (float $x, float $y): float => $x * $y, $row, $v)), $m));
    }
}
