<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Sight;

/** A control point, how well it is known, what was measured to it, and what of that is used. */
final readonly class ControlSight
{
    /**
     * @param  bool  $plan  used for the place and the orientation
     * @param  bool  $height  used for the height
     * @param  bool  $direction  its direction is used (for plan)
     * @param  bool  $distance  its distance is used
     * @param  float  $planDeviation  of the control's northing and of its easting, metres; 0 holds them fixed
     * @param  float  $heightDeviation  of the control's elevation
     * @param  float  $angleFactor  how much less certain its angles are than a mean of two faces: √2 for one face, 1/√n for n rounds
     * @param  bool  $oneFace  read in one face only, so that the instrument's own errors are in its angles
     */
    public function __construct(
        public string $name,
        public Position $control,
        public Sight $sight,
        public bool $plan = true,
        public bool $height = true,
        public bool $direction = true,
        public bool $distance = true,
        public float $planDeviation = 0.0,
        public float $heightDeviation = 0.0,
        public float $angleFactor = 1.0,
        public bool $oneFace = false,
    ) {}

    /** Whether anything of it counts. */
    public function isUsed(): bool
    {
        return $this->plan || $this->height;
    }

    /** Whether its direction counts. */
    public function givesDirection(): bool
    {
        return $this->plan && $this->direction;
    }

    /** Whether its distance was measured, and counts in plan. */
    public function givesDistance(): bool
    {
        return $this->plan && $this->distance && $this->sight->hasDistance();
    }

    /** A height needs the control's elevation; without a distance it comes from the place. */
    public function givesHeight(): bool
    {
        return $this->height && $this->control->elevation !== null && ($this->plan || ($this->distance && $this->sight->hasDistance()));
    }

    /** What its observations deviate by where the control and the number of faces are counted in. */
    public function accuracy(Accuracy $stated): Accuracy
    {
        return $this->planDeviation === 0.0 && $this->heightDeviation === 0.0 && $this->angleFactor === 1.0 ? $stated : new Accuracy(
            $stated->angle * $this->angleFactor, $stated->distance, $stated->distancePpm,
            hypot($stated->centring, $this->planDeviation), hypot($stated->height, $this->heightDeviation),
            $stated->zenith() * $this->angleFactor,
        );
    }

    /** What it says of the place; null where it says nothing. */
    public function planned(): ?PlannedSight
    {
        return $this->givesDirection() || $this->givesDistance()
            ? new PlannedSight($this->name, $this->control, $this->planDeviation, $this->givesDirection(), $this->givesDistance())
            : null;
    }

    /** The same, kept beside and counted nowhere. */
    public function unused(): self
    {
        return $this->with(plan: false, height: false);
    }

    /** The same with something in it replaced; what is null stays. */
    public function with(
        ?Position $control = null,
        ?Sight $sight = null,
        ?bool $plan = null,
        ?bool $height = null,
        ?bool $direction = null,
        ?bool $distance = null,
    ): self {
        return new self(
            name: $this->name,
            control: $control ?? $this->control,
            sight: $sight ?? $this->sight,
            plan: $plan ?? $this->plan,
            height: $height ?? $this->height,
            direction: $direction ?? $this->direction,
            distance: $distance ?? $this->distance,
            planDeviation: $this->planDeviation,
            heightDeviation: $this->heightDeviation,
            angleFactor: $this->angleFactor,
            oneFace: $this->oneFace,
        );
    }
}
