<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class BookEntry
{
    public function __construct(
        public string $kind,
        public int $id,
        public string $at,
        public ?ObservationResource $reading,
        public ?SetupEntry $setup,
        public ?MarkResource $mark,
    ) {}
}
