<?php

declare(strict_types=1);

namespace App\Cogo\Http;

use App\Designs\TouchedSpot;

final readonly class InverseBody
{
    public function __construct(
        public TouchedSpot $from,
        public TouchedSpot $to,
    ) {}
}
