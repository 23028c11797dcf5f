<?php

declare(strict_types=1);

namespace App\Points\Http;

final readonly class CodeListBody
{
    public function __construct(public string $text) {}
}
