<?php

declare(strict_types=1);

namespace App\Setups;

use App\Stakeout\DeviationEntry;

final readonly class MendedMark
{
    public function __construct(
        public int $markId,
        public string $name,
        public string $kind,
        public ?DeviationEntry $was,
        public ?DeviationEntry $would,
    ) {}
}
