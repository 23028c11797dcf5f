<?php

declare(strict_types=1);

namespace Parlay\Core\Setup;

/** How a sight agrees with the setup: measured minus computed. Radians and metres; null where it checks nothing. */
final readonly class SightResidual
{
    /** @param  float|null  $across the direction's residual as a distance at the prism, right positive */
    public function __construct(
        public string $name,
        public bool $used,
        public ?float $direction,
        public ?float $across,
        public ?float $distance,
        public ?float $height,
    ) {}
}
