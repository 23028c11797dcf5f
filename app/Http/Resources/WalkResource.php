<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

/** Points in their order, and how far one walks, metres. */
#[OA\Schema]
final readonly class WalkResource
{
    /** @param  list<int>  $pointIds */
    public function __construct(
        #[ListOf('int')]
        public array $pointIds,
        public float $length,
    ) {}
}
