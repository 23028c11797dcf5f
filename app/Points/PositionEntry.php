<?php

declare(strict_types=1);

namespace App\Points;

use Parlay\Core\Geometry\Position;

final readonly class PositionEntry
{
    public function __construct(
        public float $northing,
        public float $easting,
        public ?float $elevation,
    ) {}

    public static function of(Position $p): self
    {
        return new self($p->northing, $p->easting, $p->elevation);
    }
}
