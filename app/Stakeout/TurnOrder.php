<?php

declare(strict_types=1);

namespace App\Stakeout;

final readonly class TurnOrder
{
    public function __construct(
        public string $key,
        public ?int $controlId = null,
        public ?int $pointId = null,
        public ?int $aimId = null,
    ) {}
}
