<?php

declare(strict_types=1);

namespace App\Projects\Http;

final readonly class UndoneResource
{
    public function __construct(
        public ?string $label,
    ) {}
}
