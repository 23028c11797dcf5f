<?php

declare(strict_types=1);

namespace App\Control\Http;

use App\Control\ControlOrigin;
use App\Control\Models\ControlPoint;

final readonly class ControlPointResource
{
    /** @param  float|null  $planDeviation  standard deviation, metres; null where it is held fixed or not known */
    public function __construct(
        public int $id,
        public string $name,
        public float $northing,
        public float $easting,
        public ?float $elevation,
        public string $code,
        public string $description,
        public string $source,
        public ControlOrigin $origin,
        public bool $heldFixed,
        public ?float $planDeviation,
        public ?float $heightDeviation,
    ) {}

    public static function of(ControlPoint $c): self
    {
        return new self(
            id: $c->id,
            name: $c->name,
            northing: $c->northing,
            easting: $c->easting,
            elevation: $c->elevation,
            code: $c->code,
            description: $c->description,
            source: $c->source,
            origin: $c->origin,
            heldFixed: (bool) $c->held_fixed,
            planDeviation: $c->plan_deviation,
            heightDeviation: $c->height_deviation,
        );
    }
}
