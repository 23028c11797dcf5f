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
        return new self($c->id, $c->name, $c->northing, $c->easting, $c->elevation, $c->code, $c->description, $c->source, $c->origin, (bool) $c->held_fixed, $c->plan_deviation, $c->height_deviation);
    }
}
