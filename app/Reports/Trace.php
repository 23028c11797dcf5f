<?php

declare(strict_types=1);

namespace App\Reports;

use App\Instrument\Models\Observation;
use App\Setups\Models\Setup;
use Parlay\Core\Instrument\Sight;

/** What a mark's place was worked out from: whoever has it can do so by hand. */
final readonly class Trace
{
    /** Angles in radians, lengths in metres, as the instrument gave them; sight: what they were reduced to. */
    private function __construct(
        public float $circle,
        public float $zenith,
        public float $slope,
        public float $constantApplied,
        public float $ppmApplied,
        public float $collimation,
        public float $indexError,
        public float $scale,
        public float $pressure,
        public float $temperature,
        public Sight $sight,
        public Setup $setup,
    ) {}

    /** Of thousands of marks only the figures are kept, not the rows they came from. */
    public static function of(Observation $o, Setup $setup): self
    {
        return new self(
            circle: $o->circle, zenith: $o->zenith, slope: $o->slope, constantApplied: $o->prism_constant_applied, ppmApplied: $o->ppm_applied,
            collimation: $o->collimation, indexError: $o->index_error, scale: $o->scale, pressure: $o->pressure, temperature: $o->temperature,
            sight: $o->sight(), setup: $setup,
        );
    }

    /** Errors of one face that were taken out of the circles; a mean of two faces has none. */
    public function hasFaceErrors(): bool
    {
        return $this->collimation !== 0.0 || $this->indexError !== 0.0;
    }
}
