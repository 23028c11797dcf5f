<?php

declare(strict_types=1);

namespace App\Cogo;

/** A leg of a sketch: in a direction, or turned from the leg before; of a length, or until it meets a line; or an arc. */
final readonly class GivenLeg
{
    /**
     * turn: radians clockwise, where no direction is given. radius, angle: of an arc, which leaves in that direction. points: on the
     * arc. rise: metres.
     */
    public function __construct(
        public ?GivenDirection $direction = null,
        public float $turn = 0.0,
        public ?GivenDistance $distance = null,
        public ?GivenLine $until = null,
        public float $radius = 0.0,
        public float $angle = 0.0,
        public bool $toTheRight = true,
        public int $points = 0,
        public float $rise = 0.0,
    ) {}
}
