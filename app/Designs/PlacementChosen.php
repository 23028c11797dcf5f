<?php

declare(strict_types=1);

namespace App\Designs;

/**
 * From the drawing in metres to the site grid: easting = a x − b y + dEasting, northing = b x + a y + dNorthing; exchanged first where
 * told. Heights that are used lie dElevation higher.
 */
final readonly class PlacementChosen
{
    public function __construct(
        public bool $exchanged = false,
        public float $a = 1.0,
        public float $b = 0.0,
        public float $dEasting = 0.0,
        public float $dNorthing = 0.0,
        public float $dElevation = 0.0,
    ) {}
}
