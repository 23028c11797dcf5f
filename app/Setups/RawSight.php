<?php

declare(strict_types=1);

namespace App\Setups;

/** All readings of one point made into one. */
final readonly class RawSight
{
    /** pairs: both faces read. collimation, index, spread: radians. */
    public function __construct(
        public string $name,
        public ?int $controlId,
        public float $circle,
        public float $zenith,
        public float $slope,
        public ?float $targetHeight,
        public float $angleFactor,
        public int $readings,
        public int $pairs,
        public ?float $collimation,
        public ?float $index,
        public float $spread,
    ) {}
}
