<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\Stakeout\Deviation;

final readonly class MendedMark
{
    public function __construct(
        public int $markId,
        public string $name,
        public string $kind,
        public ?Deviation $was,
        public ?Deviation $would,
    ) {}
}
