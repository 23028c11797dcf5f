<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class TypedReadingsBody
{
    /** @param  list<TypedReadingBody>  $readings */
    public function __construct(
        public string $key,
        #[ListOf(TypedReadingBody::class)]
        public array $readings,
    ) {}
}
