<?php

declare(strict_types=1);

namespace App\Reports;

use App\Instrument\Models\Observation;
use App\Instrument\Reading;
use App\Setups\Models\Setup;

/** What a mark's place was worked out from: whoever has it can do so by hand. */
final readonly class Trace
{
    private function __construct(public Reading $reading, public Setup $setup) {}

    public static function of(Observation $reading, Setup $setup): self
    {
        return new self(Reading::of($reading), $setup);
    }
}
