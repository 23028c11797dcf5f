<?php

declare(strict_types=1);

namespace App\Buildings\Http;

final readonly class WordsQuery
{
    public function __construct(public string $words) {}
}
