<?php

declare(strict_types=1);

namespace App\Setups;

/** A shot on a line, or on a mark that is no control. */
final readonly class DraftShotEntry
{
    public function __construct(
        public string $line,
        public int $observationId,
        public bool $used,
        public float $circle,
        public float $zenith,
        public float $slope,
        public float $distance,
        public float $targetHeight,
    ) {}
}
