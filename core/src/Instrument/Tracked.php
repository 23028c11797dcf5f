<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

/** A reading while the instrument follows the prism. */
final readonly class Tracked extends InstrumentReport
{
    /** @param  float  $age seconds between the measurement and its sending */
    public function __construct(public RawReading $reading, public float $age) {}
}
