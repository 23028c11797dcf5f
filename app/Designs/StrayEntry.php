<?php

declare(strict_types=1);

namespace App\Designs;

/** Geometry of a layer far from the body of the work; the place of one of them in the unit of the list it stands in. */
final readonly class StrayEntry
{
    public function __construct(
        public string $layer,
        public int $count,
        public float $northing,
        public float $easting,
    ) {}

    /** @param  array{layer: string, count: int, easting: float, northing: float}  $place */
    public static function of(array $place): self
    {
        return new self($place['layer'], $place['count'], $place['northing'], $place['easting']);
    }
}
