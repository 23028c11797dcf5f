<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;

/** A reading as the instrument gave it, and where it led. */
final readonly class SurveyReading
{
    /**
     * @param  string  $purpose  sight, check, stake or as-built
     * @param  string  $setup  id of its setup; empty where none was made of it
     * @param  float  $collimation  error of the line of sight, of a reading in one face, that is not taken out of the circle yet; radians
     * @param  float  $index  the same of the zenith angle
     * @param  float  $pressure  hPa
     * @param  float  $temperature  °C
     * @param  Position|null  $found  null where it has no setup
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $time,
        public string $purpose,
        public string $setup,
        public RawReading $raw,
        public Sight $sight,
        public float $collimation,
        public float $index,
        public float $pressure,
        public float $temperature,
        public ?Position $found,
    ) {}
}
