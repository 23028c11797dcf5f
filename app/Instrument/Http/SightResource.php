<?php

declare(strict_types=1);

namespace App\Instrument\Http;

use Parlay\Core\Instrument\Sight;

final readonly class SightResource
{
    public function __construct(
        public float $slope,
        public float $distance,
        public float $rise,
        public float $ppm,
    ) {}

    public static function of(Sight $s): self
    {
        return new self($s->slope, $s->distance, $s->rise, $s->ppm);
    }
}
