<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class MeasuredControlBody
{
    public function __construct(
        public int $observationId,
        public string $name,
        public string $code = '',
    ) {}
}
