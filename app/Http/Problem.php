<?php

declare(strict_types=1);

namespace App\Http;

final readonly class Problem
{
    public function __construct(
        public string $message,
        public ?string $reason,
        public mixed $errors,
        public mixed $evidence,
    ) {}
}
