<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class Problem
{
    public function __construct(
        public string $message,
        public ?string $reason,
        public mixed $errors,
        public mixed $evidence,
    ) {}
}
