<?php

declare(strict_types=1);

namespace App\Stakeout\Http;

use App\Cogo\Http\PositionBody;

final readonly class ComputeGuidanceBody
{
    public function __construct(
        public PositionBody $instrument,
        public PositionBody $pole,
        public PositionBody $design,
        public float $planTolerance = 0.005,
        public float $heightTolerance = 0.005,
        public ?float $aboveTolerance = null,
    ) {}
}
