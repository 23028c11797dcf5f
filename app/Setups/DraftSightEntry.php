<?php

declare(strict_types=1);

namespace App\Setups;

use App\FieldBook\Models\Observation;
use Parlay\Core\ListOf;

final readonly class DraftSightEntry
{
    /**
     * distance: reduced to plan; null where only angles were read. rise: from axis to prism. more: observations of further rounds; spread: of their directions. refraction: its coefficient; lift: what curvature and refraction add to the rise.
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
            $s->controlId, $o->id, $s->plan, $s->height, $s->direction, $s->distance, $name, $o->circle, $o->zenith, $has ? $o->slope : null,
            $has ? $sight->distance : null, $has ? $sight->rise : null, $sight->ppm, $o->scale, $o->target()->height, $o->target()->prismConstant, $o->ppm_applied, $o->prism_constant_applied,
            $s->more, $mean->spread, $sight->refraction, $sight->lift(),
        );
    }
}
