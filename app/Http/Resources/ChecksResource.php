<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class ChecksResource
{
    /**
     * holds: whether the setup still holds by its last check; null where none was taken. due: why a check is asked for now; null where none is.
     *
     * @param  list<CheckResource>  $checks
     */
    public function __construct(
        #[ListOf(CheckResource::class)]
        public array $checks,
        public ?bool $holds,
        public string $verdict,
        public ?string $due,
    ) {}
}
