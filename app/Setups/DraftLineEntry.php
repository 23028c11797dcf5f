<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\Geometry\Position;

/** A line that can be seen on site; azimuth: from its first end to its second, radians. */
final readonly class DraftLineEntry
{
    public function __construct(
        public string $name,
        public float $northing1,
        public float $easting1,
        public float $northing2,
        public float $easting2,
        public float $offset,
        public ?float $deviation,
        public float $azimuth,
    ) {}

    public static function of(DraftLine $l): self
    {
        $azimuth = (new Position($l->northing1, $l->easting1))->azimuthTo(new Position($l->northing2, $l->easting2));

        return new self($l->name, $l->northing1, $l->easting1, $l->northing2, $l->easting2, $l->offset, $l->deviation, $azimuth);
    }
}
