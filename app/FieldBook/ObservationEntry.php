<?php

declare(strict_types=1);

namespace App\FieldBook;

use App\FieldBook\Models\Observation;

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
            $o->id, $o->at, $o->purpose, $o->sighted, $o->setup_id, $o->circle, $o->zenith, $o->slope, $o->ppm_applied, $o->prism_constant_applied,
            $o->target_height, $o->prism_constant, $o->pressure, $o->temperature, $o->instrument, $s->distance, $s->rise, $s->ppm,
        );
    }
}
