<?php

declare(strict_types=1);

namespace App\Instrument;

final readonly class TypedInstrument
{
    /**
     * Seconds for a mean of two faces, millimetres and ppm as its maker states them; the rest in metres, micrometres, hPa, °C and parts
     * of 1. calibratedOn: as 2026-03-14, certificate: its number; empty where nobody says.
     */
    public function __construct(
        public string $name,
        public float $directionSeconds = 2.0,
        public float $zenithSeconds = 2.0,
        public float $distanceMillimetres = 1.0,
        public float $distancePpm = 1.5,
        public float $centring = 0.0015,
        public float $notchRadius = 0.0,
        public float $notchDrop = 0.0,
        public float $collimationSeconds = 0.0,
        public float $indexSeconds = 0.0,
        public float $wavelength = 0.658,
        public float $referencePressure = 1013.25,
        public float $referenceTemperature = 12.0,
        public float $referenceHumidity = 0.6,
        public ?TypedInstrument $seen = null,
        public string $calibratedOn = '',
        public string $certificate = '',
    ) {}
}
