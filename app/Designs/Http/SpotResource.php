<?php

declare(strict_types=1);

namespace App\Designs\Http;

use Parlay\Core\Geometry\Position;

final readonly class SpotResource
{
    public function __construct(
        public float $northing,
        public float $easting,
        public ?float $elevation,
        public string $description,
    ) {}

    public static function of(Position $p, string $description): self
    {
        return new self($p->northing, $p->easting, $p->elevation, $description);
    }
}
