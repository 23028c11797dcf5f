<?php

declare(strict_types=1);

namespace App\Civil;

final readonly class SectionWanted
{
    /** along: metres from the start. profile, shape: of the alignment, from 0. width: metres to either side. */
    public function __construct(public float $along, public ?int $profile = null, public ?int $shape = null, public float $width = 20.0) {}
}
