<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\Setups\ObservedKind;

/** One observation in the adjustment; radians for angles, metres for lengths. */
final readonly class ObservedEntry
{
    public function __construct(
        public ObservedKind $kind,
        public float $residual,
        public float $deviation,
        public float $redundancy,
        public ?float $normalised,
        public ?float $detectable,
    ) {}
}
