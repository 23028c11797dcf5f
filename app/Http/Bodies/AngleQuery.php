<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use Parlay\Core\Units\AngleStyle;

final readonly class AngleQuery
{
    /** direction: a grid azimuth is meant, else an angle with its sign. */
    public function __construct(
        public string $text,
        public AngleStyle $style,
        public bool $direction = true,
    ) {}
}
