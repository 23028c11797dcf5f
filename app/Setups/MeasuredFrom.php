<?php

declare(strict_types=1);

namespace App\Setups;

use App\Projects\Models\Project;
use App\Setups\Models\Setup;
use Parlay\Core\Setups\SetupSolution;

/** What was measured from a setup: asked of whoever keeps marks, when another takes its place. */
interface MeasuredFrom
{
    public function isAny(Setup $setup): bool;

    /** All of it, as it would lie with the station found in the place of the setup's own; nothing is stored. */
    public function turned(Project $project, Setup $setup, SetupSolution $found): MendedSetupEntry;

    /** Writes it anew under the setup that takes the place. */
    public function carryOver(Project $project, Setup $setup, SetupSolution $found, Setup $new): void;
}
