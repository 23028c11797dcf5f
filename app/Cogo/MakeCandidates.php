<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Points\Models\StakeoutPoint;
use App\Points\NewNames;
use App\Projects\Models\Project;
use App\Projects\Preparation;

/** Makes stakeout points of many places at once, each with a recipe of its own. What stands there already is not made twice. */
final class MakeCandidates
{
    /** Names told to whoever asked. */
    private const TOLD = 200;

    /**
     * @param  list<Candidate>  $candidates  in the order in which they are named; those without a name get the prefix and the next free number
     */
    public static function of(
        Project $project, string $label, array $candidates, string $prefix, ?ElevationWanted $elevation, string $code, string $description,
    ): PointsKept {
        $shapes = new DrawnShapes($project);
        $givens = new Givens($project, $shapes);
        $words = new Words($project, $shapes);

        return Preparation::step($project, $label, static function (
            Preparation $step,
        ) use ($project, $candidates, $prefix, $elevation, $code, $description, $givens, $words): PointsKept {
            $standing = Standing::in($project);
            $names = new NewNames($project, $prefix);
            $rows = [];
            $skipped = 0;
            foreach ($candidates as $c) {
                $at = Recipe::withElevation($elevation, $c->position, $givens);
                if ($standing->at($at) !== null) {
                    $skipped++;

                    continue;
                }
                $name = $names->take($c->name);
                $standing->add($at, $name);
                $recipe = new Recipe($words->of($c->construction), $c->construction, $c->letter, $c->index, $elevation);
                $rows[] = $recipe->point($project->id, $name, $at, $c->code ?? $code, $description);
            }
            $step->createMany((new StakeoutPoint)->getTable(), $rows);

            return new PointsKept(count($rows), $skipped, array_slice(array_column($rows, 'name'), 0, self::TOLD));
        });
    }
}
