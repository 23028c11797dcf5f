<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Judged;

/** A place marked on a wall: it counts along the wall and in height, however far from its design the wall stands. */
final readonly class WallAim implements Aim
{
    /**
     * @param  float  $azimuth  in which the wall runs, radians
     * @param  float|null  $height  at which all are marked, metres; null at that of the design
     */
    public function __construct(
        private Aim $aim,
        private float $azimuth,
        private ?float $height = null,
    ) {}

    public function designedAt(Position $pole): Designed
    {
        $designed = $this->aim->designedAt($pole);
        $across = (new Line($designed->place, $this->azimuth))->right($pole);

        return new Designed(
            $designed->place->along($this->azimuth + M_PI_2, $across, $this->height ?? $designed->place->elevation), $designed->on,
        );
    }

    public function judges(): Judged
    {
        return $this->height !== null ? Judged::PlanAndHeight : $this->aim->judges();
    }
}
