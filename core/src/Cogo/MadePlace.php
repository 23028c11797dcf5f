<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Geometry\Position;

/** A place that was worked out, with what it is of the figure: "centre", "corner 2", "3 of 8". */
final readonly class MadePlace
{
    /** @param  string  $word  what it is of the figure */
    public function __construct(
        public Position $position,
        public string $word = '',
    ) {}
}
