<?php

declare(strict_types=1);

namespace App\Cogo\Http;

final readonly class MadePlaceResource
{
    /** standsAs: the name of a stakeout point that is there already. */
    public function __construct(
        public float $northing,
        public float $easting,
        public ?float $elevation,
        public string $word,
        public ?string $standsAs,
    ) {}
}
