<?php

declare(strict_types=1);

namespace App\Examples;

use Parlay\Core\Buildings\Example\ElementSpot;
use Parlay\Core\ListOf;

/** A spot of a thing that may be touched. */
final readonly class OfferedSpot
{
    /**
     * what: in words. level: "top" or "underside" where it lies as high or as low as the thing reaches, else empty. looks: whereto each face that it is held by, on the site.
     *
     * @param  list<string>  $looks
     */
    public function __construct(
        public string $what,
        public string $level,
        public float $easting,
        public float $northing,
        public float $elevation,
        public ElementSpot $spot,
        #[ListOf('string')]
        public array $looks,
    ) {}
}
