<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Notch;
use Parlay\Core\Setups\StationConstraint;

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

    /** What it says of the station before anything is sighted. */
    public function given(Accuracy $accuracy): StationConstraint
    {
        return StationConstraint::mark($this->mark, $this->planDeviation, $this->heightDeviation, $accuracy);
    }

    /** The same with nothing said of its height. */
    public function inPlanOnly(): self
    {
        return $this->onto($this->name, $this->mark->at(null));
    }

    /** The instrument on another mark. */
    public function onto(string $name, Position $mark): self
    {
        return new self($name, $mark, $this->instrumentHeight, $this->planDeviation, $this->heightDeviation, $this->notch, $this->slanted);
    }

    /** @param  float  $instrumentHeight  metres */
    public function high(float $instrumentHeight): self
    {
        return new self($this->name, $this->mark, $instrumentHeight, $this->planDeviation, $this->heightDeviation);
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

        return $this->notch === null || $this->instrumentHeight <= $this->notch->radius
            ? null
            : $this->notch->straight($this->instrumentHeight);
    }
}
