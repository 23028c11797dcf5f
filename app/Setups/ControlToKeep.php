<?php

declare(strict_types=1);

namespace App\Setups;

final readonly class ControlToKeep
{
    public function __construct(
        public int $observationId,
        public string $name,
        public string $code = '',
    ) {}
}
