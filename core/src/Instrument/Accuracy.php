<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

use Parlay\Core\Geometry\Angle;

/**
 * Standard deviations stated for an instrument, and of holding the pole over a mark.
 *
 * Kinds of figures as in ISO 17123-3 and -4 (by name only). Centring is for a pole plumbed by hand: common practice, no source.
 */
final readonly class Accuracy
{
    public function __construct(
        public float $angle,
        public float $distance,
        public float $distancePpm,
        public float $centring = 0.0015,
        public float $height = 0.001,
    ) {}

    /**
     * @param  float  $seconds mean of two faces
     *  @param  float  $millimetres constant part of the distance
     */
    public static function stated(float $seconds, float $millimetres, float $ppm): self
    {
        return new self(Angle::seconds($seconds), $millimetres / 1000, $ppm);
    }

    /** Of a horizontal direction to a pole at a plan distance; radians. */
    public function ofDirection(float $distance): float
    {
        return hypot($this->angle, $this->centring / max($distance, 0.1));
    }

    /** Of a plan distance; metres. */
    public function ofDistance(float $distance): float
    {
        return hypot(hypot($this->distance, $this->distancePpm * 1e-6 * $distance), $this->centring);
    }

    /** Of a height difference over a plan distance; metres. */
    public function ofHeight(float $distance): float
    {
        return hypot($this->height, $this->angle * $distance);
    }
}
