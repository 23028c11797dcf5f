<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Stakeout\Models\Strike;

final readonly class StrikeEntry
{
    /** struck: false where the strike was taken back */
    public function __construct(
        public string $at,
        public bool $struck,
        public string $reason,
        public string $by,
    ) {}

    public static function of(Strike $s): self
    {
        return new self($s->at, $s->struck, $s->reason, $s->by);
    }
}
