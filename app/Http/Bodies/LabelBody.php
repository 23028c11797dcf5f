<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

/** Where a label stands, metres from its point; both null puts it back beside it. */
#[OA\Schema]
final readonly class LabelBody
{
    public function __construct(
        public ?float $north,
        public ?float $east,
    ) {}
}
