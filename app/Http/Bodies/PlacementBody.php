<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

/** From the drawing in metres to the site grid: easting = a x − b y + dEasting, northing = b x + a y + dNorthing; exchanged first where told. */
#[OA\Schema]
final readonly class PlacementBody
{
    public function __construct(
        public bool $exchanged = false,
        public float $a = 1.0,
        public float $b = 0.0,
        public float $dEasting = 0.0,
        public float $dNorthing = 0.0,
    ) {}
}
