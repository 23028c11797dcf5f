<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

/** A name that is taken: in the project already, or by an earlier row. */
#[OA\Schema]
final readonly class DuplicateResource
{
    public function __construct(
        public int $line,
        public string $name,
        public ?int $earlierLine,
    ) {}
}
