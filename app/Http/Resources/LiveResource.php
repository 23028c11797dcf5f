<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class LiveResource
{
    public function __construct(
        public int $seq,
        public int $revision,
        public InstrumentResource $instrument,
        public ?string $elsewhere,
        public ?PositionResource $pole,
        public ?float $readingAge,
        public ?GuidanceResource $guidance,
    ) {}
}
