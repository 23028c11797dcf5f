<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Judged;
use Parlay\Core\Stakeout\OnWall;

/** A place marked on a wall: it counts along the wall and in height, however far from its design the wall stands. */
final readonly class WallAim implements Aim
{
    /** @param  float|null  $height  at which all are marked, metres; null at that of the design */
    public function __construct(
        private Aim $aim,
        private OnWall $wall,
        private ?float $height = null,
    ) {}

    public function designedAt(Position $pole): Designed
    {
        $designed = $this->aim->designedAt($pole);

        return new Designed($this->wall->moved($designed->place, $pole)->at($this->height ?? $designed->place->elevation), $designed->on);
    }

    public function judges(): Judged
    {
        return $this->height !== null ? Judged::PlanAndHeight : $this->aim->judges();
    }
}
