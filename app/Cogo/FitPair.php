<?php

declare(strict_types=1);

namespace App\Cogo;

final readonly class FitPair
{
    public function __construct(
        public GivenPlace $from,
        public GivenPlace $to,
        public bool $used = true,
    ) {}
}
