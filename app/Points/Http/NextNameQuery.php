<?php

declare(strict_types=1);

namespace App\Points\Http;

final readonly class NextNameQuery
{
    public function __construct(
        public string $prefix = '',
    ) {}
}
