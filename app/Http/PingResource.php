<?php

declare(strict_types=1);

namespace App\Http;

final readonly class PingResource
{
    public function __construct(
        public string $version,
    ) {}
}
