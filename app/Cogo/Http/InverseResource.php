<?php

declare(strict_types=1);

namespace App\Cogo\Http;

/** Metres, and a grid azimuth in radians. */
final readonly class InverseResource
{
    public function __construct(
        public float $distance,
        public float $direction,
        public ?float $rise,
    ) {}
}
