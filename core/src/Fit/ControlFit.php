<?php

declare(strict_types=1);

namespace Parlay\Core\Fit;

use Parlay\Core\Geometry\Similarity;
use Parlay\Core\Units\LengthUnit;

/** One way in which a drawing fits the control. */
final readonly class ControlFit
{
    /**
     * @param  bool  $exchanged  northing and easting of the drawing exchanged
     * @param  Similarity  $placement  from the drawing in metres to the site grid
     * @param  list<ControlMatch>  $matches
     * @param  float  $chance  how many such fits mere chance would give; well below 1 for one to be trusted
     */
    public function __construct(
        public LengthUnit $unit,
        public bool $exchanged,
        public Similarity $placement,
        public array $matches,
        public float $chance,
    ) {}

    /** How many of its matches carry the mark's name. */
    public function named(): int
    {
        return count(array_filter($this->matches, static fn (ControlMatch $m) => $m->named));
    }

    /** Three fall together, or two that bear the same names. */
    public function holds(): bool
    {
        return count($this->matches) >= 3 || $this->named() >= 2;
    }

    /** Whether the drawing lies on the control without being moved. */
    public function asDrawn(): bool
    {
        return ! $this->exchanged && $this->placement->isIdentity();
    }

    /** Root mean square of the residuals, metres. */
    public function rms(): float
    {
        return sqrt(array_sum(array_map(static fn (ControlMatch $m) => $m->residual ** 2, $this->matches)) / max(1, count($this->matches)));
    }
}
