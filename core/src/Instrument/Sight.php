<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

use Parlay\Core\Units\Angle;

/**
 * A raw reading reduced to a direction, a horizontal distance and a height difference.
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
     * @param  float  $distance  horizontal distance at the instrument's height, metres
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
        private float $scale = 1.0,
    ) {}

    /** Takes out what the instrument had applied and applies the air, the prism and the scale factor in use, each exactly once. */
    public static function reduce(RawReading $raw, Atmosphere $air, Target $target, float $scale = 1.0): self
    {
        if ($raw->slope === 0.0) {
            return new self(
                circle: $raw->circle,
                zenith: $raw->zenith,
                slope: 0.0,
                distance: 0.0,
                rise: 0.0,
                ppm: $air->ppm(),
                target: $target,
                refraction: $air->refraction,
                scale: $scale,
            );
        }
        $measured = ($raw->slope - $raw->prismConstantApplied) / (1 + $raw->ppmApplied * 1e-6);
        $ppm = $air->ppm();
        $slope = $measured * (1 + $ppm * 1e-6) + $target->prismConstant;
        $plan = $slope * sin($raw->zenith);

        return new self(
            circle: $raw->circle,
            zenith: $raw->zenith,
            slope: $slope,
            distance: $scale * ($plan - (1 - $air->refraction / 2) * $slope ** 2 * sin(2 * $raw->zenith) / (2 * self::EARTH_RADIUS)),
            rise: $slope * cos($raw->zenith) + self::curvature($plan, $air->refraction),
            ppm: $ppm,
            target: $target,
            refraction: $air->refraction,
            scale: $scale,
        );
    }

    /** Angles alone may have been read. */
    public function hasDistance(): bool
    {
        return $this->slope > 0.0;
    }

    /**
     * The zenith angle as it would be read along a straight line over the grid: without curvature and refraction.
     *
     * @param  float  $flat  grid distance, metres, where none was measured: on the ground it is longer by the scale factor, and so is
     *     the rise
     */
    public function straightZenith(float $flat): float
    {
        $ground = $flat / $this->scale;

        return $this->hasDistance()
            ? atan2($this->distance, $this->rise)
            : atan2($flat, $ground / tan($this->zenith) + self::curvature($ground, $this->refraction));
    }

    /**
     * Rounds of one target made into one, each reduced with its own air, constant and target height before; heights are those over the
     * first's target.
     *
     * @param  non-empty-list<self>  $sights
     * @param  list<float>  $angleFactors  how much less certain the angles of each are than one mean of two faces
     */
    public static function mean(array $sights, array $angleFactors): self
    {
        $first = $sights[0];
        $weights = array_map(static fn (float $a): float => 1 / $a ** 2, $angleFactors);
        $all = array_sum($weights);
        $circle = $zenith = 0.0;
        $slope = $distance = $rise = $measured = 0.0;
        foreach ($sights as $i => $s) {
            $circle += $weights[$i] * Angle::signed($s->circle - $first->circle) / $all;
            $up = $first->target->height - $s->target->height;
            if ($s->hasDistance()) {
                // The same mark with the first's target on it.
                [$r, $l] = [$s->rise + $up, hypot($s->slope * sin($s->zenith), $s->rise - $s->lift() + $up)];
                $zenith += $weights[$i] * (atan2($s->slope * sin($s->zenith), $s->rise - $s->lift() + $up) - $first->zenith) / $all;
                [$slope, $distance, $rise, $measured] = [$slope + $l, $distance + $s->distance, $rise + $r, $measured + 1];
            } else {
                $zenith += $weights[$i] * ($s->zenith - $first->zenith) / $all;
            }
        }
        $n = max(1.0, $measured);

        return new self(
            circle: Angle::wrap($first->circle + $circle),
            zenith: $first->zenith + $zenith,
            slope: $slope / $n,
            distance: $distance / $n,
            rise: $rise / $n,
            ppm: $first->ppm,
            target: $first->target,
            refraction: $first->refraction,
            scale: $first->scale,
        );
    }

    /** The same sight with its circle reading turned. */
    public function turned(float $angle): self
    {
        return new self(
            circle: Angle::wrap($this->circle + $angle),
            zenith: $this->zenith,
            slope: $this->slope,
            distance: $this->distance,
            rise: $this->rise,
            ppm: $this->ppm,
            target: $this->target,
            refraction: $this->refraction,
            scale: $this->scale,
        );
    }

    /** The same sight with its slope distance longer; what it gives grows in proportion. Angles alone stay as they are. */
    public function longer(float $by): self
    {
        $times = $this->hasDistance() ? 1 + $by / $this->slope : 1.0;

        return new self(
            circle: $this->circle,
            zenith: $this->zenith,
            slope: $this->slope * $times,
            distance: $this->distance * $times,
            rise: $this->rise * $times,
            ppm: $this->ppm,
            target: $this->target,
            refraction: $this->refraction,
            scale: $this->scale,
        );
    }

    /** The same sight with its zenith angle larger by a small angle, so that it points lower. */
    public function lowered(float $by): self
    {
        return new self(
            circle: $this->circle,
            zenith: $this->zenith + $by,
            slope: $this->slope,
            distance: $this->distance + $by * $this->slope * cos($this->zenith),
            rise: $this->rise - $by * $this->slope * sin($this->zenith),
            ppm: $this->ppm,
            target: $this->target,
            refraction: $this->refraction,
            scale: $this->scale,
        );
    }

    /** What curvature and refraction add to the rise; metres. */
    public function lift(): float
    {
        return self::curvature($this->slope * sin($this->zenith), $this->refraction);
    }

    /** Curvature less refraction over a horizontal distance; metres. */
    public static function curvature(float $distance, float $refraction = Atmosphere::REFRACTION): float
    {
        return (1 - $refraction) * $distance ** 2 / (2 * self::EARTH_RADIUS);
    }
}
