<?php

declare(strict_types=1);

namespace App\Mending;

use App\Projects\Models\Project;
use App\Setups\MeasuredFrom;
use App\Setups\MendedSetupEntry;
use App\Setups\Models\Setup;
use App\Stakeout\Models\Mark;
use Parlay\Core\Setups\SetupSolution;

final class MarksOfSetup implements MeasuredFrom
{
    public function isAny(Setup $setup): bool
    {
        return Mark::query()->where('setup_id', $setup->id)->exists();
    }

    public function turned(Project $project, Setup $setup, SetupSolution $found): MendedSetupEntry
    {
        return Mending::turned($project, $setup, $found)->entry();
    }

    public function carryOver(Project $project, Setup $setup, SetupSolution $found, Setup $new): void
    {
        Mending::carryOver(Mending::turned($project, $setup, $found), $new);
    }
}
