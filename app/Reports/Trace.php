<?php

declare(strict_types=1);

namespace App\Reports;

use App\Instrument\Models\Observation;
use App\Setups\Models\Setup;
use Parlay\Core\Instrument\Sight;

/** What a mark's place was worked out from: whoever has it can do so by hand. */
final readonly class Trace
{
    private function __construct(public Observation $reading, public Sight $sight, public Setup $setup) {}

    public static function of(Observation $reading, Setup $setup): self
    {
        return new self($reading, $reading->sight(), $setup);
    }

    /** Errors of one face that were taken out of the circles; a mean of two faces has none. */
    public function hasFaceErrors(): bool
    {
        return $this->reading->collimation !== 0.0 || $this->reading->index_error !== 0.0;
    }
}
