<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class DraftSightResource
{
    public function __construct(
        public int $controlId,
        public int $observationId,
        public bool $used,
        public string $name,
        public float $circle,
        public float $zenith,
        public float $slope,
        public float $distance,
        public float $ppm,
        public float $targetHeight,
        public float $prismConstant,
    ) {}
}
