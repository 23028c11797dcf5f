<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

/** Where an instrument's height is measured to when it is measured slanted: a notch on its side. */
final readonly class Notch
{
    /**
     * @param  float  $radius  from the vertical axis to the notch, metres
     * @param  float  $drop  of the notch below the trunnion axis, metres
     */
    public function __construct(
        public float $radius,
        public float $drop,
    ) {}

    /**
     * Height of the trunnion axis over the mark: √(s² − r²) + d.
     *
     * @param  float  $slanted  from the mark to the notch, metres
     *
     * @throws ImplausibleEntry
     */
    public function straight(float $slanted): float
    {
        if (! is_finite($slanted) || $slanted <= $this->radius) {
            throw ImplausibleEntry::slanted($slanted, $this->radius);
        }

        return sqrt($slanted ** 2 - $this->radius ** 2) + $this->drop;
    }

    /** What a tape reads from the mark to the notch; metres. */
    public function slanted(float $straight): float
    {
        return hypot($straight - $this->drop, $this->radius);
    }
}
