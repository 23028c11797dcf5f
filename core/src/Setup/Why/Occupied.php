<?php

declare(strict_types=1);

namespace Parlay\Core\Setup\Why;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Notch;

/** The known mark that an instrument stands on, and the height it is said to have over it. */
final readonly class Occupied
{
    /**
     * @param  float  $planDeviation  of the mark's northing and of its easting, metres
     * @param  float  $heightDeviation  of its elevation
     * @param  Notch|null  $notch  where a slanted height is measured to; null where the instrument's is not known
     * @param  float|null  $slanted  what was measured to the notch; null where the height was measured straight
     */
    public function __construct(
        public string $name,
        public Position $mark,
        public float $instrumentHeight,
        public float $planDeviation = 0.0,
        public float $heightDeviation = 0.0,
        public ?Notch $notch = null,
        public ?float $slanted = null,
    ) {}

    /** The trunnion axis; without an elevation where the mark has none. */
    public function axis(): Position
    {
        return $this->mark->elevation === null ? $this->mark : $this->mark->at($this->mark->elevation + $this->instrumentHeight);
    }

    /** The same with nothing said of its height. */
    public function inPlanOnly(): self
    {
        return new self($this->name, $this->mark->at(null), $this->instrumentHeight, $this->planDeviation);
    }

    /** Of the axis in northing and in easting: the instrument is centred over the mark no better than a pole. */
    public function planError(Accuracy $accuracy): float
    {
        return hypot($this->planDeviation, $accuracy->centring);
    }

    public function heightError(Accuracy $accuracy): float
    {
        return hypot($this->heightDeviation, $accuracy->height);
    }

    /**
     * The height it would have, had the other way of measuring it been meant.
     *
     * @return float|null metres; null where the notch is not known
     */
    public function heightOtherwise(): ?float
    {
        if ($this->slanted !== null) {
            return $this->slanted;
        }

        return $this->notch === null || $this->instrumentHeight <= $this->notch->radius ? null : $this->notch->straight($this->instrumentHeight);
    }
}
