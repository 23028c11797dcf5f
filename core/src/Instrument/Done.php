<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

/** An instruction was carried out; a measurement brings its reading. */
final readonly class Done extends InstrumentReport
{
    /** @param  RawReading|null  $reading  where the job was to measure */
    public function __construct(public int $number, public ?RawReading $reading = null) {}
}
