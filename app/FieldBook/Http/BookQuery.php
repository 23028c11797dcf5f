<?php

declare(strict_types=1);

namespace App\FieldBook\Http;

final readonly class BookQuery
{
    public function __construct(
        public ?int $before = null,
    ) {}
}
