<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** What changed from one revision of a drawing to the next, in one layer or in all. */
#[OA\Schema]
final readonly class ChangesResource
{
    /** @param  float  $farthest  longest way that something moved, metres */
    public function __construct(
        public string $layer,
        public int $added,
        public int $gone,
        public int $moved,
        public float $farthest,
    ) {}
}
