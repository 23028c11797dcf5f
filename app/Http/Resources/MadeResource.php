<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

/** What a construction gives; nothing of it is stored. */
#[OA\Schema]
final readonly class MadeResource
{
    /**
     * @param  list<MadeSolution>  $solutions
     */
    public function __construct(
        public string $description,
        #[ListOf(MadeSolution::class)]
        public array $solutions,
    ) {}
}
