<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\Geometry\Position;

/** A point whose source has changed: where it is, and where it would be now. Without a new place, why there is none. */
final readonly class Proposal
{
    public function __construct(
        public int $pointId,
        public string $name,
        public Position $now,
        public ?Position $proposed,
        public float $distance,
        public int $stakes,
        public string $why,
    ) {}
}
