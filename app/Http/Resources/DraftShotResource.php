<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A shot on a line, or on a mark that is no control. */
#[OA\Schema]
final readonly class DraftShotResource
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
