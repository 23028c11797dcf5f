<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

use Parlay\Core\Civil\Surfaces\PackedSurface;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Judged;

/** A surface, wherever one stands on it: its height there, raised or lowered. */
final readonly class SurfaceAim implements Aim
{
    /** @param  float  $verticalOffset  metres above the surface that is staked, negative below */
    public function __construct(private PackedSurface $surface, private float $verticalOffset = 0.0) {}

    public function designedAt(Position $pole): Designed
    {
        $on = $this->surface->at($pole->northing, $pole->easting);

        return new Designed($pole->at($on === null ? null : $on->elevation + $this->verticalOffset), ground: $on);
    }

    public function judges(): Judged
    {
        return Judged::Height;
    }
}
