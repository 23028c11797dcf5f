<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\Stakeout\Deviation;

final readonly class DeviationEntry
{
    public function __construct(
        public float $northing,
        public float $easting,
        public float $plan,
        public ?float $height,
    ) {}

    public static function of(Deviation $d): self
    {
        return new self($d->northing, $d->easting, $d->plan, $d->height);
    }
}
