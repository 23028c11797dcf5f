<?php

declare(strict_types=1);

namespace App\Instrument\Http;

final readonly class TrackBody
{
    public function __construct(
        public string $key,
        public bool $on = true,
    ) {}
}
