<?php

declare(strict_types=1);

namespace App\Worklists\Http;

final readonly class NearestResource
{
    public function __construct(
        public ?int $pointId,
        public int $left,
    ) {}
}
