<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

/** How far off is still in, metres; changes what is said of a figure, never the figure. */
final readonly class Tolerance
{
    /** Metres; what is off by just that is in. */
    public function __construct(public float $plan, public float $height) {}
}
