<?php

declare(strict_types=1);

namespace App\Practice\Http;

final readonly class WorldTripod
{
    public function __construct(
        public float $northing,
        public float $easting,
        public float $elevation,
        public float $height,
        public float $tape,
        public bool $tapeSlanted,
        public ?string $over,
        public float $tilt,
        public float $circleZero,
    ) {}
}
