<?php

declare(strict_types=1);

namespace App\Instrument;

use App\Instrument\Models\Observation;
use App\Instrument\Models\QueuedInstruction;
use App\Projects\Models\Project;

/** Whoever waits for a reading: it is handed over where it arrives, in the transaction that stores it. */
interface TakesReading
{
    /** @param  array<string, mixed>  $purpose  as it was given with the instruction; what concerns others is passed over */
    public function take(Project $project, Observation $reading, QueuedInstruction $instruction, array $purpose): void;
}
