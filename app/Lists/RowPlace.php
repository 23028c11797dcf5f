<?php

declare(strict_types=1);

namespace App\Lists;

/** Another place for one row of a file, metres, as the doctor proposed and the person accepted. */
final readonly class RowPlace
{
    public function __construct(
        public int $line,
        public float $northing,
        public float $easting,
    ) {}
}
