<?php

declare(strict_types=1);

namespace App\Units\Http;

use Parlay\Core\Units\AngleStyle;
use Parlay\Core\Units\DirectionStyle;

final readonly class AngleTextQuery
{
    /** direction: a grid azimuth is written, else an angle with its sign. finer: decimal places more than usual, at most 4. */
    public function __construct(
        public float $radians,
        public AngleStyle $style,
        public bool $direction = true,
        public DirectionStyle $as = DirectionStyle::Azimuth,
        public int $finer = 0,
    ) {}
}
