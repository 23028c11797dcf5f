<?php

declare(strict_types=1);

namespace App\Setups\Http;

use App\Cogo\Http\PositionBody;
use App\Instrument\Http\ReadingBody;

final readonly class ControlReadingBody
{
    public function __construct(
        public string $name,
        public PositionBody $control,
        public ReadingBody $reading,
        public bool $plan = true,
        public bool $height = true,
        public bool $direction = true,
        public bool $distance = true,
        public float $planDeviation = 0.0,
        public float $heightDeviation = 0.0,
    ) {}
}
