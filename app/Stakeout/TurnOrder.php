<?php

declare(strict_types=1);

namespace App\Stakeout;

final readonly class TurnOrder
{
    /** keepLock: only a target was chosen; an instrument that holds a prism goes on following it. */
    public function __construct(
        public string $key,
        public ?int $controlId = null,
        public ?int $pointId = null,
        public ?int $aimId = null,
        public bool $keepLock = false,
    ) {}
}
