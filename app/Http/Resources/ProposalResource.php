<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A point whose source has changed: where it is, and where it would be now. Without a new place, why there is none. */
#[OA\Schema]
final readonly class ProposalResource
{
    public function __construct(
        public int $pointId,
        public string $name,
        public PositionResource $now,
        public ?PositionResource $proposed,
        public float $distance,
        public int $stakes,
        public string $why,
    ) {}
}
