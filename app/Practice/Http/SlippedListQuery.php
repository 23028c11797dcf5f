<?php

declare(strict_types=1);

namespace App\Practice\Http;

use App\Practice\Slip;

final readonly class SlippedListQuery
{
    /** controlId: the point whose line is wrong; with names exchanged, the next one’s as well. */
    public function __construct(
        public Slip $slip,
        public int $controlId,
    ) {}
}
