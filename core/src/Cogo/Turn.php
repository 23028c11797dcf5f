<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\Angle;

/** From one place over a second to a third: both legs, and the angle at the second, either way round. */
final readonly class Turn
{
    private function __construct(
        public Inverse $to,
        public Inverse $next,
        public float $clockwise,
        public float $counterclockwise,
    ) {}

    /**
     * Angles in radians [0, 2π), from the place one comes from to the one one goes on to; together a full turn, or both 0.
     *
     * @throws NoConstruction where a leg has no length, and so no direction
     */
    public static function at(Position $from, Position $at, Position $next): self
    {
        $back = Inverse::between($at, $from);
        $on = Inverse::between($at, $next);
        if ($back->distance === 0.0 || $on->distance === 0.0) {
            throw NoConstruction::onePlace();
        }
        $clockwise = Angle::wrap($on->direction - $back->direction);

        return new self(Inverse::between($from, $at), $on, $clockwise, Angle::wrap(-$clockwise));
    }
}
