<?php

declare(strict_types=1);

namespace App\Instrument\Http;

final readonly class LiveQuery
{
    public function __construct(
        public ?int $target = null,
    ) {}
}
