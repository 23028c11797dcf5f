<?php

declare(strict_types=1);

namespace App\Control;

final readonly class TypedControl
{
    /** @param  bool  $heldFixed  or its standard deviations are given, metres */
    public function __construct(
        public string $name,
        public float $northing,
        public float $easting,
        public ?float $elevation = null,
        public string $code = '',
        public string $description = '',
        public bool $heldFixed = true,
        public ?float $planDeviation = null,
        public ?float $heightDeviation = null,
        public ?TypedControl $seen = null,
    ) {}
}
