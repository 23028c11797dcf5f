<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class DraftSightBody
{
    public function __construct(
        public int $controlId,
        public int $observationId,
        public bool $used = true,
    ) {}
}
