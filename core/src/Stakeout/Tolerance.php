<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

/** How far off is still in, metres; changes what is said of a figure, never the figure. What is off by just that is in. */
final readonly class Tolerance
{
    /**
     * @param  float  $height  down from the design, and up where nothing else is said
     * @param  float|null  $above  up from the design: 0 for a floor that must not stand too high
     */
    public function __construct(public float $plan, public float $height, public ?float $above = null) {}

    /** What is allowed up from the design. */
    public function up(): float
    {
        return $this->above ?? $this->height;
    }

    /** What is allowed of a difference in height, on the side it lies on. */
    public function allowed(float $height): float
    {
        return $height > 0.0 ? $this->up() : $this->height;
    }

    /** Half way between the lowest and the highest that is in, seen from the design: what is to be aimed at to be proven in. */
    public function middle(): float
    {
        return ($this->up() - $this->height) / 2;
    }

    /** With what a code says for itself before it; a height of its own holds either way unless it says how much above. */
    public function but(?float $plan, ?float $height, ?float $above): self
    {
        return new self($plan ?? $this->plan, $height ?? $this->height, $above ?? ($height === null ? $this->above : null));
    }

    /** Where a grade has a tolerance of its own: either way. */
    public function ofGrade(?float $grade): self
    {
        return $grade === null ? $this : new self($this->plan, $grade);
    }
}
