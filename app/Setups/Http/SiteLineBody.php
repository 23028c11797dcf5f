<?php

declare(strict_types=1);

namespace App\Setups\Http;

use App\Cogo\GivenLine;

final readonly class SiteLineBody
{
    public function __construct(
        public GivenLine $line,
    ) {}
}
