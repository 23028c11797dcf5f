<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

/** Something known of a point beside its usual figures. */
#[OA\Schema]
final readonly class AttributeBody
{
    public function __construct(
        public string $name,
        public string $value,
    ) {}
}
