<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

/** A file of raw observations as it is read, before anything is taken. */
#[OA\Schema]
final readonly class RawTextResource
{
    /**
     * @param  list<RawSightResource>  $sights
     * @param  list<string>  $problems  with their lines
     */
    public function __construct(
        #[ListOf(RawSightResource::class)]
        public array $sights,
        #[ListOf('string')]
        public array $problems,
    ) {}
}
