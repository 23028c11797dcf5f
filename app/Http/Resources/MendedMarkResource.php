<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class MendedMarkResource
{
    public function __construct(
        public int $markId,
        public string $name,
        public string $kind,
        public ?DeviationResource $was,
        public ?DeviationResource $would,
    ) {}
}
