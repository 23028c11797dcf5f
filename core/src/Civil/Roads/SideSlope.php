<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Roads;

/** The slope beside a road where someone stands on the ground: its hinge, and where it would meet that ground if it went on level. */
final readonly class SideSlope
{
    /**
     * @param  float  $hingeRight  metres right of the axis, negative left
     * @param  float  $hingeElevation  metres
     * @param  float  $rise  outward for each metre; below 0 for an embankment
     * @param  float  $catchRight  metres right of the axis where it meets the ground at the height one stands at
     */
    public function __construct(public float $hingeRight, public float $hingeElevation, public float $rise, public float $catchRight) {}

    public function raised(float $by): self
    {
        return new self($this->hingeRight, $this->hingeElevation + $by, $this->rise, $this->catchRight);
    }
}
