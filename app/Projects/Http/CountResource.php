<?php

declare(strict_types=1);

namespace App\Projects\Http;

final readonly class CountResource
{
    public function __construct(
        public int $count,
    ) {}
}
