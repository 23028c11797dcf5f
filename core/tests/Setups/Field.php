<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setups;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Units\Angle;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** A seeded site with an instrument on it: everything deviates from what it should be by as much as is stated, and by no more. */
final class Field
{
    public const INSTRUMENT_HEIGHT = 1.6;

    private readonly Randomizer $random;

    public function __construct(
        int $seed,
        public Position $station = new Position(5000.0, 2000.0, 40.0),
        public float $orientation = 1.2345,
        public Accuracy $accuracy = new Accuracy(9.6963e-6, 0.001, 1.5),
        public float $planDeviation = 0.0,
        public float $heightDeviation = 0.0,
        public float $noisy = 1.0,
    ) {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** A control point around the station. */
    public function mark(float $low = 15.0, float $high = 120.0): Position
    {
        return $this->station->along(
            $this->between(0, 2 * M_PI), $this->between($low, $high), $this->station->elevation + $this->between(-3, 8),
        );
    }

    /** As it is listed: off by its deviation. */
    public function listed(Position $true): Position
    {
        return new Position(
            $true->northing + $this->noise($this->planDeviation), $true->easting + $this->noise($this->planDeviation),
            $true->elevation === null ? null : $true->elevation + $this->noise($this->heightDeviation),
        );
    }

    /** @return list<ControlSight> */
    public function sights(int $count, float $low = 15.0, float $high = 120.0): array
    {
        return array_map(fn (int $i) => $this->controlSight("CP$i", $this->mark($low, $high)), range(1, $count));
    }

    public function controlSight(string $name, Position $true, float $angles = 1.0): ControlSight
    {
        return new ControlSight(
            $name, $this->listed($true), $this->sight($true, $angles), planDeviation: $this->planDeviation,
            heightDeviation: $this->heightDeviation, angleFactor: $angles,
        );
    }

    /** To a prism 1.8 m over a mark, with the noise of instrument and pole. */
    public function sight(Position $mark, float $angles = 1.0): Sight
    {
        $a = $this->accuracy;
        $prism = new Position(
            $mark->northing + $this->noise($a->centring), $mark->easting + $this->noise($a->centring),
            (float) $mark->elevation + 1.8 + $this->noise($a->height),
        );
        [$slope, $zenith] = self::light($this->station->at((float) $this->station->elevation + self::INSTRUMENT_HEIGHT), $prism);

        return Sight::reduce(new RawReading(
            Angle::wrap($this->station->azimuthTo($prism) - $this->orientation + $this->noise($angles * $a->angle)),
            $zenith + $this->noise($angles * $a->zenith()),
            $slope + $this->noise(hypot($a->distance, $a->distancePpm * 1e-6 * $slope)),
        ), new Atmosphere, new Target(1.8));
    }

    /**
     * As light goes: the chord over a round earth, lifted by refraction.
     *
     * @return array{float, float} slope distance and zenith angle at the axis
     */
    public static function light(Position $axis, Position $prism): array
    {
        $arc = $axis->distanceTo($prism) / Sight::EARTH_RADIUS;
        $radius = Sight::EARTH_RADIUS + (float) $prism->elevation - (float) $axis->elevation;
        [$out, $up] = [$radius * sin($arc), $radius * cos($arc) - Sight::EARTH_RADIUS];

        return [hypot($out, $up), atan2($out, $up) - Atmosphere::REFRACTION * $arc / 2];
    }

    public function between(float $low, float $high): float
    {
        return $low + ($high - $low) * $this->random->getInt(0, 1_000_000) / 1_000_000;
    }

    /** Normal, by Box and Muller. */
    public function noise(float $deviation): float
    {
        return $this->noisy * $deviation * sqrt(-2 * log($this->between(1e-9, 1.0))) * cos($this->between(0, 2 * M_PI));
    }
}
