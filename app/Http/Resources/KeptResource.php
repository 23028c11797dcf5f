<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

/** Points that were made, and how many places already had one. */
#[OA\Schema]
final readonly class KeptResource
{
    /** @param  list<string>  $names */
    public function __construct(
        public int $made,
        public int $standing,
        #[ListOf('string')]
        public array $names,
    ) {}
}
