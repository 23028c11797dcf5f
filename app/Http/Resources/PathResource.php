<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

/** A line or arc as it is drawn: easting and northing in turn. length: along it, metres; azimuth: from its first end to its last, radians. */
#[OA\Schema]
final readonly class PathResource
{
    /** @param  list<float>  $flat */
    public function __construct(
        #[ListOf('float')]
        public array $flat,
        public float $length,
        public float $azimuth,
    ) {}
}
