<?php

declare(strict_types=1);

namespace App\Buildings\Http;

use App\Cogo\SpacePick;

final readonly class MeasureBody
{
    public function __construct(
        public SpacePick $first,
        public SpacePick $second,
    ) {}
}
