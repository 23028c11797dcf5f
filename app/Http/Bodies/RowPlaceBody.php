<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

/** Another place for one row of a file, metres, as the doctor proposed and the person accepted. */
#[OA\Schema]
final readonly class RowPlaceBody
{
    public function __construct(
        public int $line,
        public float $northing,
        public float $easting,
    ) {}
}
