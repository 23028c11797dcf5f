<?php

declare(strict_types=1);

namespace Parlay\Core\Setup\Why;

use Parlay\Core\Adjustment\ChiSquare;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Sight;

/** A solved figure: the trunnion axis, the orientation, and how well it fits. */
final readonly class Solved
{
    /** A clean figure is suspected in this many of 100 cases less than all. */
    private const CLEAN = 0.98;

    /** With a cause mended, a figure is believed that a clean one would be in all but five of a thousand cases. */
    private const BELIEVED = 0.995;

    /**
     * @param  Position  $axis  its elevation is the axis'
     * @param  float  $squares  weighted square sum of the residuals
     * @param  float  $extra  the constant or scale that was solved with it
     * @param  list<list<float>>  $cofactors  of northing, easting, orientation, and height where there is one
     */
    public function __construct(
        public Position $axis,
        public float $orientation,
        public float $squares,
        public int $redundancy,
        public float $extra = 0.0,
        public array $cofactors = [],
    ) {}

    public function isClean(): bool
    {
        return $this->within(self::CLEAN);
    }

    public function passes(): bool
    {
        return $this->within(self::BELIEVED);
    }

    private function within(float $probability): bool
    {
        return $this->redundancy > 0 && ChiSquare::below($this->squares, $this->redundancy) <= $probability;
    }

    public function fit(): float
    {
        return $this->redundancy > 0 ? sqrt($this->squares / $this->redundancy) : 0.0;
    }

    /** The mark under the target, as this figure places it. */
    public function locate(Sight $sight): Position
    {
        return $this->axis->along($this->orientation + $sight->circle, $sight->distance, $this->axis->elevation === null ? null : $this->axis->elevation + $sight->rise - $sight->target->height);
    }
}
