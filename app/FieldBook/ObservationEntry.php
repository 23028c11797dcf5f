<?php

declare(strict_types=1);

namespace App\FieldBook;

use App\Instrument\Models\Observation;

final readonly class ObservationEntry
{
    public function __construct(
        public int $id,
        public string $at,
        public string $purpose,
        public string $sighted,
        public ?int $setupId,
        public float $circle,
        public float $zenith,
        public float $slope,
        public float $ppmApplied,
        public float $prismConstantApplied,
        public float $targetHeight,
        public float $prismConstant,
        public float $pressure,
        public float $temperature,
        public string $instrument,
        public float $distance,
        public float $rise,
        public float $ppm,
    ) {}

    public static function of(Observation $o): self
    {
        $s = $o->sight();

        return new self(
            id: $o->id,
            at: $o->at,
            purpose: $o->purpose,
            sighted: $o->sighted,
            setupId: $o->setup_id,
            circle: $o->circle,
            zenith: $o->zenith,
            slope: $o->slope,
            ppmApplied: $o->ppm_applied,
            prismConstantApplied: $o->prism_constant_applied,
            targetHeight: $o->target_height,
            prismConstant: $o->prism_constant,
            pressure: $o->pressure,
            temperature: $o->temperature,
            instrument: $o->instrument,
            distance: $s->distance,
            rise: $s->rise,
            ppm: $s->ppm,
        );
    }
}
