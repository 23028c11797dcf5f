<?php

declare(strict_types=1);

namespace App\Stakeout;

final readonly class StrikeWanted
{
    /** struck: false takes the strike back. by: who, where a name is given. */
    public function __construct(
        public bool $struck,
        public string $reason,
        public string $by = '',
    ) {}
}
