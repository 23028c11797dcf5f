<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class MendBody
{
    /** @param  list<int>  $setupIds */
    public function __construct(
        #[ListOf('int')]
        public array $setupIds,
        public string $note,
    ) {}
}
