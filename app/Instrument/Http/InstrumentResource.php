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
        public string $calibratedOn,
        public string $certificate,
    ) {}

    public static function of(Instrument $i): self
    {
        return new self(
            id: $i->id,
            name: $i->name,
            directionSeconds: $i->direction_seconds,
            zenithSeconds: $i->zenith_seconds,
            distanceMillimetres: $i->distance_millimetres,
            distancePpm: $i->distance_ppm,
            centring: $i->centring,
            notchRadius: $i->notch_radius,
            notchDrop: $i->notch_drop,
            collimationSeconds: $i->collimation_seconds,
            indexSeconds: $i->index_seconds,
            wavelength: $i->wavelength,
            referencePressure: $i->reference_pressure,
            referenceTemperature: $i->reference_temperature,
            referenceHumidity: $i->reference_humidity,
            calibratedOn: $i->calibrated_on,
            certificate: $i->certificate,
        );
    }
}
