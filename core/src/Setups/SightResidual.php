<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\ListOf;

/** How a sight agrees with the setup: measured minus computed. Radians and metres; null where it checks nothing. */
final readonly class SightResidual
{
    /**
     * @param  float|null  $across  the direction's residual as a distance at the prism, right positive
     * @param  float|null  $checked  how well the others check its observations, from 0 (not at all) to 1; the worst of them
     * @param  float|null  $detectable  smallest error at the target that would show, metres; the largest of them
     * @param  float|null  $normalised  the largest of its residuals over their standard deviations
     * @param  float|null  $moves  how far the station would move without this sight, metres; null where it can't do without
     * @param  list<ObservedResidual>  $observed
     * @param  array{float, float}|null  $found  how far north and east of its mark the sight found it; null in what was kept before
     *     this was
     */
    public function __construct(
        public string $name,
        public bool $usedForPlan,
        public bool $usedForHeight,
        public ?float $direction,
        public ?float $across,
        public ?float $distance,
        public ?float $height,
        public ?float $checked = null,
        public ?float $detectable = null,
        public ?float $normalised = null,
        public ?float $moves = null,
        #[ListOf(ObservedResidual::class)]
        public array $observed = [],
        #[ListOf('float')]
        public ?array $found = null,
    ) {}

    /**
     * How far north and east of its mark a sight found it.
     *
     * @param  float  $azimuth  from the station to the mark
     * @return array{float, float} metres
     */
    public static function inPlan(float $azimuth, ?float $along, ?float $across): array
    {
        [$l, $r] = [(float) $along, (float) $across];

        return [$l * cos($azimuth) - $r * sin($azimuth), $l * sin($azimuth) + $r * cos($azimuth)];
    }

    /** Whether it counts in plan, in height, or in both. */
    public function isUsed(): bool
    {
        return $this->usedForPlan || $this->usedForHeight;
    }
}
