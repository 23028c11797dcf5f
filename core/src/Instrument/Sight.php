<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

use Parlay\Core\Geometry\Angle;

/**
 * A raw reading reduced to a direction, a plan distance and a height difference.
 *
 * Height uses curvature and refraction together as (1 − k) d² / 2R with R = 6371 km, which with k = 0.14 gives the 0.0675 m at
 * 1 km that handbooks print (Ghilani & Wolf, *Elementary Surveying*, levelling; recalled).
 */
final readonly class Sight
{
    public const EARTH_RADIUS = 6_371_000.0;

    /**
     * @param  float  $circle  horizontal circle reading, radians
     * @param  float  $slope  slope distance, fully corrected, metres; 0 where only angles were read
     * @param  float  $distance  plan distance at the instrument's height, metres
     * @param  float  $rise  from trunnion axis to prism, metres
     * @param  float  $ppm  correction that is in the slope distance
     * @param  float  $refraction  coefficient that is in the rise
     */
    private function __construct(
        public float $circle,
        public float $zenith,
        public float $slope,
        public float $distance,
        public float $rise,
        public float $ppm,
        public Target $target,
        public float $refraction,
    ) {}

    /** Takes out what the instrument had applied and applies the air, the prism and the scale factor in use, each exactly once. */
    public static function reduce(RawReading $raw, Atmosphere $air, Target $target, float $scale = 1.0): self
    {
        if ($raw->slope === 0.0) {
            return new self($raw->circle, $raw->zenith, 0.0, 0.0, 0.0, $air->ppm(), $target, $air->refraction);
        }
        $measured = ($raw->slope - $raw->prismConstantApplied) / (1 + $raw->ppmApplied * 1e-6);
        $ppm = $air->ppm();
        $slope = $measured * (1 + $ppm * 1e-6) + $target->prismConstant;
        $plan = $slope * sin($raw->zenith);

        return new self(
            $raw->circle,
            $raw->zenith,
            $slope,
            // The upper end of a steep sight leans over the curved earth; under 1 mm in 300 m but it costs nothing.
            $scale * ($plan - (1 - $air->refraction / 2) * $slope ** 2 * sin(2 * $raw->zenith) / (2 * self::EARTH_RADIUS)),
            $slope * cos($raw->zenith) + self::curvature($plan, $air->refraction),
            $ppm,
            $target,
            $air->refraction,
        );
    }

    /** Angles alone may have been read. */
    public function hasDistance(): bool
    {
        return $this->slope > 0.0;
    }

    /** The zenith angle as it would be read along a straight line: without curvature and refraction. */
    public function straightZenith(float $flat): float
    {
        return $this->hasDistance() ? atan2($this->distance, $this->rise) : atan2($flat, $flat / tan($this->zenith) + self::curvature($flat, $this->refraction));
    }

    /** The same sight with its circle reading turned. */
    public function turned(float $angle): self
    {
        return new self(Angle::wrap($this->circle + $angle), $this->zenith, $this->slope, $this->distance, $this->rise, $this->ppm, $this->target, $this->refraction);
    }

    /** What curvature and refraction add to the rise; metres. */
    public function lift(): float
    {
        return self::curvature($this->slope * sin($this->zenith), $this->refraction);
    }

    /** Curvature less refraction over a plan distance; metres. */
    public static function curvature(float $distance, float $refraction = Atmosphere::REFRACTION): float
    {
        return (1 - $refraction) * $distance ** 2 / (2 * self::EARTH_RADIUS);
    }
}
