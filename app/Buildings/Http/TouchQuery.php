<?php

declare(strict_types=1);

namespace App\Buildings\Http;

final readonly class TouchQuery
{
    /** Where the thing was touched, metres of the site; all three, or none. */
    public function __construct(
        public ?float $easting = null,
        public ?float $northing = null,
        public ?float $elevation = null,
    ) {}
}
