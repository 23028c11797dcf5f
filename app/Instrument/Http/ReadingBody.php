<?php

declare(strict_types=1);

namespace App\Instrument\Http;

final readonly class ReadingBody
{
    public function __construct(
        public float $circle,
        public float $zenith,
        public float $slope,
        public float $ppmApplied = 0.0,
        public float $prismConstantApplied = 0.0,
        public float $targetHeight = 0.0,
        public float $prismConstant = 0.0,
        public float $pressure = 1013.25,
        public float $temperature = 12.0,
    ) {}
}
