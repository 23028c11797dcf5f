<?php

declare(strict_types=1);

namespace App\Setups;

use App\Instrument\Models\Observation;
use Parlay\Core\ListOf;

final readonly class DraftSightEntry
{
    /**
     * distance: reduced to plan; null where only angles were read. rise: from axis to prism. more: observations of further rounds;
     * spread: of their directions. refraction: its coefficient; lift: what curvature and refraction add to the rise.
     *
     * @param  list<int>  $more
     */
    public function __construct(
        public int $controlId,
        public int $observationId,
        public bool $plan,
        public bool $height,
        public bool $direction,
        public bool $useDistance,
        public string $name,
        public float $circle,
        public float $zenith,
        public ?float $slope,
        public ?float $distance,
        public ?float $rise,
        public float $ppm,
        public float $scale,
        public float $targetHeight,
        public float $prismConstant,
        public float $ppmApplied,
        public float $prismConstantApplied,
        #[ListOf('int')]
        public array $more,
        public float $spread,
        public float $refraction,
        public float $lift,
    ) {}

    public static function of(DraftSight $s, Observation $o, string $name, SightMean $mean): self
    {
        $sight = $mean->sight;
        $has = $sight->hasDistance();

        return new self(
            controlId: $s->controlId,
            observationId: $o->id,
            plan: $s->plan,
            height: $s->height,
            direction: $s->direction,
            useDistance: $s->distance,
            name: $name,
            circle: $o->circle,
            zenith: $o->zenith,
            slope: $has ? $o->slope : null,
            distance: $has ? $sight->distance : null,
            rise: $has ? $sight->rise : null,
            ppm: $sight->ppm,
            scale: $o->scale,
            targetHeight: $o->target()->height,
            prismConstant: $o->target()->prismConstant,
            ppmApplied: $o->ppm_applied,
            prismConstantApplied: $o->prism_constant_applied,
            more: $s->more,
            spread: $mean->spread,
            refraction: $sight->refraction,
            lift: $sight->lift(),
        );
    }
}
