<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

/** An instruction was not carried out, and why. */
final readonly class Refused extends InstrumentReport
{
    /** @param  int  $number  of the instruction */
    public function __construct(public int $number, public Refusal $why) {}
}
