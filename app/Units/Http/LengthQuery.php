<?php

declare(strict_types=1);

namespace App\Units\Http;

use Parlay\Core\Units\LengthStyle;

final readonly class LengthQuery
{
    public function __construct(
        public string $text,
        public LengthStyle $style,
    ) {}
}
