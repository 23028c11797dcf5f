<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Geometry\Line;

/** A step of a sketch: straight on for a length, or an arc; in a direction, or turned from the step before. */
final readonly class SketchLeg
{
    /**
     * @param  float|null  $azimuth  null: turned from the leg before by $turn, clockwise
     * @param  float|null  $length  null: until it meets $until, or as the closing works out
     * @param  float  $radius  0 for a straight leg
     * @param  float  $angle  of an arc at its centre
     * @param  int  $points  on an arc, beside its end
     * @param  float  $rise  from its beginning to its end, metres
     */
    public function __construct(
        public ?float $azimuth,
        public float $turn = 0.0,
        public ?float $length = null,
        public ?Line $until = null,
        public float $radius = 0.0,
        public float $angle = 0.0,
        public bool $right = true,
        public int $points = 0,
        public float $rise = 0.0,
    ) {}

    /** Whether it has a radius. */
    public function isArc(): bool
    {
        return $this->radius > 0.0;
    }
}
