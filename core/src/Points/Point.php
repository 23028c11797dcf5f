<?php

declare(strict_types=1);

namespace Parlay\Core\Points;

use Parlay\Core\Geometry\Position;

/** A point as it goes out into a file. */
final readonly class Point
{
    /** @param  string  $layer  what it is: control, stakeout, as-built */
    public function __construct(
        public string $name,
        public Position $position,
        public string $code = '',
        public string $description = '',
        public string $layer = 'POINTS',
    ) {}
}
