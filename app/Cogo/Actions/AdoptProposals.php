<?php

declare(strict_types=1);

namespace App\Cogo\Actions;

use App\Cogo\DrawnShapes;
use App\Cogo\Proposals;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\Preparation;

/** Moves points to where their changed sources put them. What was staked keeps the design it was staked to. */
final class AdoptProposals
{
    /**
     * @param  list<int>  $pointIds
     * @return int how many were moved
     */
    public function __invoke(Project $project, array $pointIds): int
    {
        return Preparation::step($project, 'Adopted '.count($pointIds).' new places', static function (
            Preparation $step,
        ) use ($project, $pointIds): int {
            $wanted = array_flip($pointIds);
            $newest = new DrawnShapes($project, newest: true);
            $before = $after = [];
            $rows = StakeoutPoint::of($project)
                ->whereNotNull('recipe')
                ->toBase()
                ->get(['id', 'northing', 'easting', 'elevation', 'recipe'])
                ->keyBy('id');
            foreach (Proposals::of($project) as $p) {
                if ($p->proposed === null || ! isset($wanted[$p->pointId])) {
                    continue;
                }
                $row = $rows[$p->pointId];
                $recipe = ['description' => $p->why] + Proposals::brought(json_decode($row->recipe, true) ?: [], $newest);
                $before[$p->pointId] = [
                    'northing' => $row->northing, 'easting' => $row->easting, 'elevation' => $row->elevation, 'recipe' => $row->recipe,
                ];
                $after[$p->pointId] = [
                    'northing' => $p->proposed->northing, 'easting' => $p->proposed->easting, 'elevation' => $p->proposed->elevation,
                    'recipe' => json_encode($recipe, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION),
                ];
            }
            $step->updateMany('stakeout_points', $before, $after);

            return count($after);
        });
    }

    /**
     * Leaves points where they are: they forget what they were made from.
     *
     * @param  list<int>  $ids
     * @return int how many there were
     */
    public function leave(Project $project, array $ids): int
    {
        $points = StakeoutPoint::of($project)->whereIn('id', $ids)->get();
        Preparation::step(
            $project, "Left {$points->count()} points where they are",
            static fn (Preparation $step) => $points->each(static fn ($p) => $step->update($p, ['origin' => 'typed', 'recipe' => null])),
        );

        return $points->count();
    }
}
