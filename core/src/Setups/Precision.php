<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\Ellipse;
use Parlay\Core\Geometry\Position;

/** How far a station may be wrong, and with it what is staked from it. */
final readonly class Precision
{
    /**
     * @param  array{list<float>, list<float>, list<float>}  $plan  covariance of northing, easting and orientation; metres, radians
     * @param  float|null  $height  variance of the elevation; null where there is none
     * @param  bool  $oriented  whether the orientation is known at all
     */
    public function __construct(
        public array $plan,
        public ?float $height,
        public bool $oriented = true,
    ) {}

    /**
     * @param  list<list<float>>  $covariance  of all unknowns
     * @param  int|null  $orientation  where it stands among them
     */
    public static function from(array $covariance, ?int $orientation, ?int $height): self
    {
        $at = static fn (?int $i, ?int $k): float => $i === null || $k === null ? 0.0 : $covariance[$i][$k];
        [$a, $b, $c] = array_map(static fn (?int $i) => [$at($i, 0), $at($i, 1), $at($i, $orientation)], [0, 1, $orientation]);

        return new self([$a, $b, $c], $height === null ? null : $covariance[$height][$height], $orientation !== null);
    }

    /** Of a setup that is known without any doubt. */
    public static function certain(): self
    {
        return new self([[0.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]], 0.0);
    }

    /** As a setup is to be trusted whose own sights differ by more than their deviations explain: by how much they do. */
    public function widened(float $times): self
    {
        $squared = static fn (array $row): array => array_map(static fn (float $c): float => $c * $times ** 2, array_values($row));

        return new self(array_map($squared, $this->plan), $this->height === null ? null : $this->height * $times ** 2, $this->oriented);
    }

    /** Of northing and of easting, the mean of both variances. */
    public function place(): float
    {
        return sqrt(max(0.0, ($this->plan[0][0] + $this->plan[1][1]) / 2));
    }

    /** Standard deviation, metres. */
    public function northing(): float
    {
        return sqrt(max(0.0, $this->plan[0][0]));
    }

    /** Standard deviation, metres. */
    public function easting(): float
    {
        return sqrt(max(0.0, $this->plan[1][1]));
    }

    /** Standard deviation, radians; null without an orientation. */
    public function orientation(): ?float
    {
        return $this->oriented ? sqrt(max(0.0, $this->plan[2][2])) : null;
    }

    /** Standard deviation, metres; null without an elevation. */
    public function height(): ?float
    {
        return $this->height === null ? null : sqrt(max(0.0, $this->height));
    }

    /** The correlation of two of northing (0), easting (1) and orientation (2); 0 where one of them is certain. */
    public function correlation(int $i, int $k): float
    {
        $both = $this->plan[$i][$i] * $this->plan[$k][$k];

        return $both <= 0.0 ? 0.0 : max(-1.0, min(1.0, $this->plan[$i][$k] / sqrt($both)));
    }

    /** Of the station itself, 95 %, from the deviations given beforehand. */
    public function ellipse(): Ellipse
    {
        return Ellipse::ninetyFive($this->plan[0][0], $this->plan[1][1], $this->plan[0][1]);
    }

    /**
     * Of a point staked from the station, for the setup's sake alone.
     *
     * @param  float  $shot  variance of the shot itself in northing and in easting, metres squared
     */
    public function at(Position $station, Position $point, float $shot = 0.0): Ellipse
    {
        [$nn, $ee, $ne] = $this->variances($station, $point);

        return Ellipse::ninetyFive($nn + $shot, $ee + $shot, $ne);
    }

    /** @return array{float, float, float} of a point staked from the station: variances of northing and easting, and their covariance */
    public function variances(Position $station, Position $point): array
    {
        $dn = $point->northing - $station->northing;
        $de = $point->easting - $station->easting;
        [[$nn, $ne, $no], [, $ee, $eo], [, , $oo]] = $this->plan;

        // Turning by a small angle moves the point by that angle times its offset, to the right of it.
        return [
            $nn - 2 * $de * $no + $de ** 2 * $oo,
            $ee + 2 * $dn * $eo + $dn ** 2 * $oo,
            $ne + $dn * $no - $de * $eo - $dn * $de * $oo,
        ];
    }
}
