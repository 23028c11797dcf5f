<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\PointText;

use Parlay\Core\Geometry\Position;

/** A row that was read. */
final readonly class PointRow
{
    public function __construct(
        public int $line,
        public string $name,
        public Position $position,
        public string $code,
        public string $description,
    ) {}
}
