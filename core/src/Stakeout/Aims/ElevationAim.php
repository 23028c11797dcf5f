<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Judged;

/** One height, wherever the pole stands. */
final readonly class ElevationAim implements Aim
{
    /** @param  float  $elevation  metres */
    public function __construct(private float $elevation) {}

    public function designedAt(Position $pole): Designed
    {
        return new Designed($pole->at($this->elevation));
    }

    public function judges(): Judged
    {
        return Judged::Height;
    }
}
