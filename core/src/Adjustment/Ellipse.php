<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

use Parlay\Core\Units\Angle;

/** The error ellipse of a place: how far it may be wrong in which direction. */
final readonly class Ellipse
{
    /** Holds the true place in 95 of 100 cases where the deviations given beforehand are right: √χ²(0.95; 2) (NIST/SEMATECH e-Handbook). */
    public const NINETY_FIVE = 2.4477;

    /**
     * @param  float  $major  half the longer axis, metres
     * @param  float  $azimuth  of the longer axis, [0, π)
     */
    private function __construct(
        public float $major,
        public float $minor,
        public float $azimuth,
    ) {}

    /** The 95 % ellipse from the variances of northing and easting and their covariance, given beforehand. */
    public static function ninetyFive(float $nn, float $ee, float $ne): self
    {
        $middle = ($nn + $ee) / 2;
        $half = hypot(($nn - $ee) / 2, $ne);
        $azimuth = atan2(2 * $ne, $nn - $ee) / 2;

        return new self(
            self::NINETY_FIVE * sqrt($middle + $half), self::NINETY_FIVE * sqrt(max(0.0, $middle - $half)),
            Angle::wrap($azimuth < 0 ? $azimuth + M_PI : $azimuth),
        );
    }

    /** Whether a place so far to the north and east of the middle lies inside. */
    public function holds(float $north, float $east): bool
    {
        $along = $north * cos($this->azimuth) + $east * sin($this->azimuth);
        $across = $east * cos($this->azimuth) - $north * sin($this->azimuth);

        return ($along / max($this->major, 1e-12)) ** 2 + ($across / max($this->minor, 1e-12)) ** 2 <= 1.0;
    }

    /**
     * What the deviations found from the residuals are to be multiplied by for 95 %: √(2 F(0.95; 2, r)). With two degrees above, F has
     * the closed form F = r/2 ((1 − p)^(−2/r) − 1).
     */
    public static function afterwards(int $redundancy): float
    {
        return sqrt($redundancy * (0.05 ** (-2 / $redundancy) - 1));
    }

    /** The same shape, so many times as large; both half axes grow alike. */
    public function times(float $factor): self
    {
        return new self($factor * $this->major, $factor * $this->minor, $this->azimuth);
    }
}
