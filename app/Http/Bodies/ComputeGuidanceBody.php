<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class ComputeGuidanceBody
{
    public function __construct(
        public PositionBody $instrument,
        public PositionBody $pole,
        public PositionBody $design,
        public float $planTolerance = 0.005,
        public float $heightTolerance = 0.005,
    ) {}
}
