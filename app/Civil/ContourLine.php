<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\ListOf;

final readonly class ContourLine
{
    /** @param  list<float>  $pieces  easting and northing of both ends of each piece, to the millimetre */
    public function __construct(
        public float $elevation,
        #[ListOf('float')]
        public array $pieces,
    ) {}
}
