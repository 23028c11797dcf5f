<?php

declare(strict_types=1);

namespace App\Instrument\Http;

final readonly class KeyBody
{
    /** key: made by the sender, so that a request sent twice is carried out once. */
    public function __construct(
        public string $key,
    ) {}
}
