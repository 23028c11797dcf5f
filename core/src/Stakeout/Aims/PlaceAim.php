<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Judged;

/** A point, a spot of a drawing, or a place along a line: designed there and nowhere else. */
final readonly class PlaceAim implements Aim
{
    public function __construct(private Position $place) {}

    public function designedAt(Position $pole): Designed
    {
        return new Designed($this->place);
    }

    public function judges(): Judged
    {
        return Judged::PlanAndHeight;
    }
}
