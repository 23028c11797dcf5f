<?php

declare(strict_types=1);

namespace App\Setups\Http;

final readonly class RawTextBody
{
    public function __construct(
        public string $text,
    ) {}
}
