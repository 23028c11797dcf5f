<?php

declare(strict_types=1);

namespace App\Control\Http;

use App\Control\Models\GridLine as Row;
use Parlay\Core\Control\GridLine;

final readonly class GridLineResource
{
    /** id: 0 while it is only looked at. A ring runs about its first place through the second. */
    public function __construct(
        public int $id,
        public string $name,
        public string $family,
        public float $northing1,
        public float $easting1,
        public float $northing2,
        public float $easting2,
        public bool $ring,
    ) {}

    public static function of(Row $l): self
    {
        return new self($l->id, $l->name, $l->family, $l->northing1, $l->easting1, $l->northing2, $l->easting2, $l->ring);
    }

    public static function found(GridLine $l): self
    {
        return new self(0, $l->name, $l->family, $l->from->northing, $l->from->easting, $l->to->northing, $l->to->easting, $l->ring);
    }
}
