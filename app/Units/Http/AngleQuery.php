<?php

declare(strict_types=1);

namespace App\Units\Http;

use Parlay\Core\Units\AngleStyle;
use Parlay\Core\Units\DirectionStyle;

final readonly class AngleQuery
{
    /**
     * direction: a grid azimuth is meant, else an angle with its sign. as: how a direction is written back. finer: decimal places more
     * than usual, at most 4.
     */
    public function __construct(
        public string $text,
        public AngleStyle $style,
        public bool $direction = true,
        public DirectionStyle $as = DirectionStyle::Azimuth,
        public int $finer = 0,
    ) {}
}
