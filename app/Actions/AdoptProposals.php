<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cogo\Proposals;
use App\Models\Project;
use App\Preparation;

/** Moves points to where their changed sources put them. What was staked keeps the design it was staked to. */
final class AdoptProposals
{
    /**
     * @param  list<int>  $pointIds
     * @return int how many were moved
     */
    public function __invoke(Project $project, array $pointIds): int
    {
        $wanted = array_flip($pointIds);
        $proposals = array_filter(Proposals::of($project), static fn ($p) => $p->proposed !== null && isset($wanted[$p->pointId]));

        return Preparation::step($project, 'Adopted '.count($proposals).' new places', static function (Preparation $step) use ($project, $proposals): int {
            $points = $project->points()->whereIn('id', array_column($proposals, 'pointId'))->get()->keyBy('id');
            foreach ($proposals as $p) {
                $point = $points->get($p->pointId);
                if ($point !== null && $p->proposed !== null) {
                    $recipe = Proposals::brought($project, $point->recipe ?? []);
                    $step->update($point, ['northing' => $p->proposed->northing, 'easting' => $p->proposed->easting, 'elevation' => $p->proposed->elevation, 'recipe' => ['description' => $p->why] + $recipe]);
                }
            }

            return count($proposals);
        });
    }
}
