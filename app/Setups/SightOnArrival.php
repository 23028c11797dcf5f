<?php

declare(strict_types=1);

namespace App\Setups;

use App\Instrument\Models\Observation;
use App\Instrument\Models\QueuedInstruction;
use App\Instrument\TakesReading;
use App\Projects\Models\Project;

/** Puts a reading that was measured for a setup into the one being made. */
final class SightOnArrival implements TakesReading
{
    public function take(Project $project, Observation $reading, QueuedInstruction $instruction, array $purpose): void
    {
        if (! $reading->wasRecentlyCreated || ! isset($purpose['keepIn'])) {
            return;
        }
        try {
            DraftReadings::take($project, $reading, $purpose['keepIn']);
        } catch (\DomainException) {
            // Whatever the setup says to it, what was measured stays in the book.
        }
    }
}
