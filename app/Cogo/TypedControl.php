<?php

declare(strict_types=1);

namespace App\Cogo;

final readonly class TypedControl
{
    /**
     * @param  bool  $heldFixed  or its standard deviations are given, metres
     * @param  GivenPlace|null  $place  that it was touched at: northing and easting are computed from it, exactly, and it is named as source
     * @param  bool  $evenDoubtful  what is doubted of it was told, and it is meant
     */
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
        public ?GivenPlace $place = null,
        public bool $evenDoubtful = false,
    ) {}
}
