<?php

declare(strict_types=1);

namespace App\Instrument\Http;

use App\Instrument\Models\Instrument;

final readonly class InstrumentResource
{
    public function __construct(
        public int $id,
        public string $name,
        public float $directionSeconds,
        public float $zenithSeconds,
        public float $distanceMillimetres,
        public float $distancePpm,
        public float $centring,
        public float $notchRadius,
        public float $notchDrop,
        public float $collimationSeconds,
        public float $indexSeconds,
        public float $wavelength,
        public float $referencePressure,
        public float $referenceTemperature,
        public float $referenceHumidity,
    ) {}

    public static function of(Instrument $i): self
    {
        return new self(
            $i->id, $i->name, $i->direction_seconds, $i->zenith_seconds, $i->distance_millimetres, $i->distance_ppm, $i->centring, $i->notch_radius, $i->notch_drop,
            $i->collimation_seconds, $i->index_seconds, $i->wavelength, $i->reference_pressure, $i->reference_temperature, $i->reference_humidity,
        );
    }
}
