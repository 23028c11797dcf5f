<?php

declare(strict_types=1);

namespace Parlay\Core\Setup;

/** How a sight agrees with the setup: measured minus computed. Radians and metres; null where it checks nothing. */
final readonly class SightResidual
{
    /**
     * @param  float|null  $across  the direction's residual as a distance at the prism, right positive
     * @param  float|null  $checked  how well the others check its direction and distance, from 0 (not at all) to 1; the worse of both
     * @param  float|null  $detectable  smallest error across or along that would show, metres; the larger of both
     * @param  float|null  $normalised  the larger of both residuals over its standard deviation
     * @param  float|null  $moves  how far the station would move without this sight, metres
     */
    public function __construct(
        public string $name,
        public bool $used,
        public ?float $direction,
        public ?float $across,
        public ?float $distance,
        public ?float $height,
        public ?float $checked = null,
        public ?float $detectable = null,
        public ?float $normalised = null,
        public ?float $moves = null,
    ) {}
}
