<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use Parlay\Core\Stakeout\Deviation;

#[OA\Schema]
final readonly class DeviationResource
{
    public function __construct(
        public float $northing,
        public float $easting,
        public float $plan,
        public ?float $height,
    ) {}

    public static function of(Deviation $d): self
    {
        return new self($d->northing, $d->easting, $d->plan, $d->height);
    }
}
