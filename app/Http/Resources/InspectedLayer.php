<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class InspectedLayer
{
    /** @param  list<KindCount>  $kinds */
    public function __construct(
        public string $name,
        public string $colour,
        public int $count,
        #[ListOf(KindCount::class)]
        public array $kinds,
    ) {}
}
