<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

use Parlay\Core\Units\Angle;

/**
 * Standard deviations stated for an instrument, and of holding the pole over a mark.
 *
 * Kinds of figures as in ISO 17123-3 and -4 (by name only). Centring is for a pole plumbed by hand: common practice, no source.
 */
final readonly class Accuracy
{
    /**
     * @param  float  $angle  of a direction, mean of two faces, radians
     * @param  float  $distance  constant part, metres
     * @param  float  $centring  of a pole, or of the instrument, over its mark; metres
     * @param  float  $height  of a target height or an instrument height; metres
     * @param  float|null  $zenith  of a zenith angle
     */
    public function __construct(
        public float $angle,
        public float $distance,
        public float $distancePpm,
        public float $centring = 0.0015,
        public float $height = 0.001,
        private ?float $zenith = null,
    ) {
        // An observation without any uncertainty would outweigh all others for good.
        if (! Bounds::holdInside($angle, 0.0, 0.01) || ! Bounds::holdInside($distance, 0.0, 1.0) || ! Bounds::holdBelow(
            $distancePpm, 0.0, 1000.0,
        ) || ! Bounds::holdBelow($centring, 0.0, 100.0)
            || ! Bounds::holdBelow($height, 0.0, 100.0) || ($zenith !== null && ! Bounds::holdInside($zenith, 0.0, 0.01))) {
            throw ImplausibleEntry::accuracy();
        }
    }

    /** Of angles that are less certain, or more, than those of one mean of two faces: √2 for one face, 1/√n for n rounds. */
    public function ofAngles(float $times): self
    {
        return $times === 1.0 ? $this : new self(
            $this->angle * $times, $this->distance, $this->distancePpm, $this->centring, $this->height, $this->zenith() * $times,
        );
    }

    /** @return array{angle: float, zenith: float, distance: float, ppm: float, centring: float} radians, metres, parts per million */
    public function figures(): array
    {
        return [
            'angle' => $this->angle, 'zenith' => $this->zenith(), 'distance' => $this->distance, 'ppm' => $this->distancePpm,
            'centring' => $this->centring,
        ];
    }

    /** @param  array<string, mixed>  $figures  as they were kept; those of earlier versions have fewer */
    public static function of(array $figures): self
    {
        return new self(
            (float) $figures['angle'], (float) $figures['distance'], (float) $figures['ppm'], (float) ($figures['centring'] ?? 0.0015),
            0.001, isset($figures['zenith']) ? (float) $figures['zenith'] : null,
        );
    }

    /** Of a zenith angle; as that of a direction where nothing else is stated. */
    public function zenith(): float
    {
        return $this->zenith ?? $this->angle;
    }

    /**
     * @param  float  $seconds mean of two faces
     *  @param  float  $millimetres constant part of the distance
     */
    public static function stated(float $seconds, float $millimetres, float $ppm): self
    {
        return new self(Angle::fromSeconds($seconds), $millimetres / 1000, $ppm);
    }

    /** Of a horizontal direction to a pole at a horizontal distance; radians. */
    public function ofDirection(float $distance): float
    {
        return hypot($this->angle, $this->centring / max($distance, 0.1));
    }

    /** Of a horizontal distance; metres. */
    public function ofDistance(float $distance): float
    {
        return hypot(hypot($this->distance, $this->distancePpm * 1e-6 * $distance), $this->centring);
    }

    /** Of a height difference over a horizontal distance; metres. */
    public function ofHeight(float $distance): float
    {
        return hypot($this->height, $this->zenith() * $distance);
    }
}
