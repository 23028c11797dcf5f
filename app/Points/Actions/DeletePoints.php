<?php

declare(strict_types=1);

namespace App\Points\Actions;

use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\Preparation;

final class DeletePoints
{
    /**
     * @param  list<int>  $ids
     * @param  bool  $evenHeld  also where marks hang on them, which was asked
     * @return int how many there were
     */
    public function __invoke(Project $project, array $ids, bool $evenHeld): int
    {
        $points = StakeoutPoint::of($project)->whereIn('id', $ids)->get();
        $label = $points->count() === 1 ? "Deleted point {$points->first()?->name}" : "Deleted {$points->count()} points";
        Preparation::step(
            $project, $label, static fn (Preparation $step) => $points->each(static fn (StakeoutPoint $p) => $step->delete($p)), $evenHeld,
        );

        return $points->count();
    }
}
