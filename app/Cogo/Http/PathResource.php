<?php

declare(strict_types=1);

namespace App\Cogo\Http;

use Parlay\Core\ListOf;

/**
 * A line or arc as it is drawn: easting and northing in turn. length: along it, metres; azimuth: from its first end to its last,
 * radians.
 */
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
