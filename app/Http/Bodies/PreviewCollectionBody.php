<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class PreviewCollectionBody
{
    public function __construct(
        public CollectionBody $collection,
        public ?ElevationBody $elevation = null,
    ) {}
}
