<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

/** A code or a description for many points; what is null stays as it is. */
#[OA\Schema]
final readonly class CodesSetBody
{
    /** @param  list<int>  $ids */
    public function __construct(
        #[ListOf('int')]
        public array $ids,
        public ?string $code = null,
        public ?string $description = null,
    ) {}
}
