<?php

declare(strict_types=1);

namespace App\Designs;

final readonly class KindCount
{
    public function __construct(
        public string $kind,
        public int $count,
    ) {}
}
