<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Civil\Volumes\VolumeSpread;

/** How far a net volume may be wrong, metres³, 95 of 100: all of it, and by what. */
final readonly class VolumeUncertain
{
    /** shots: by each shot's own height. setup: by what they share. ground: by what lies between the shots, as the shots tell it; null where too few do. */
    public function __construct(public float $all, public float $shots, public float $setup, public ?float $ground) {}

    public static function of(VolumeSpread $s): self
    {
        return new self($s->all(), $s->shots, $s->setup, $s->ground);
    }
}
