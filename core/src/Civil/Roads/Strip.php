<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Roads;

/** A lane or shoulder. */
final readonly class Strip
{
    /**
     * @param  float  $width  metres
     * @param  float  $crossfall  rise outward for each metre; -0.025 falls away from the axis
     * @param  bool  $turns  whether it follows the superelevation
     */
    public function __construct(public string $name, public float $width, public float $crossfall, public bool $turns = true) {}
}
