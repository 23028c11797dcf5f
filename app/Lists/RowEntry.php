<?php

declare(strict_types=1);

namespace App\Lists;

use Parlay\Core\Points\PointRow;

final readonly class RowEntry
{
    public function __construct(
        public int $line,
        public string $name,
        public float $northing,
        public float $easting,
        public ?float $elevation,
        public string $code,
        public string $description,
    ) {}

    public static function of(PointRow $r): self
    {
        return new self(
            $r->line, $r->name, $r->position->northing, $r->position->easting, $r->position->elevation, $r->code, $r->description,
        );
    }
}
