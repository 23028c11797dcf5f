<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Roads;

/** The design at one place across a road. */
final readonly class OnSection
{
    /**
     * @param  float  $elevation  metres
     * @param  string  $part  which strip or slope it belongs to
     * @param  float  $slope  rise to the right for each metre across
     * @param  SideSlope|null  $side  where it lies on the slope beside the road
     */
    public function __construct(public float $elevation, public string $part, public float $slope, public ?SideSlope $side = null) {}
}
