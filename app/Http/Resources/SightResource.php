<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use Parlay\Core\Instrument\Sight;

#[OA\Schema]
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
