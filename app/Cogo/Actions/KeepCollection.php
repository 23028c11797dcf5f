<?php

declare(strict_types=1);

namespace App\Cogo\Actions;

use App\Cogo\Candidate;
use App\Cogo\Collect;
use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Cogo\PlacesToKeep;
use App\Cogo\PointsKept;
use App\Cogo\Recipe;
use App\Cogo\Standing;
use App\Cogo\Words;
use App\Points\Models\StakeoutPoint;
use App\Points\NewNames;
use App\Projects\Models\Project;
use App\Projects\Preparation;

/** Makes stakeout points of many places at once, each with a recipe of its own. What stands there already is not made twice. */
final class KeepCollection
{
    public function __invoke(Project $project, PlacesToKeep $body): PointsKept
    {
        $candidates = (new Collect($project))->places($body->collection);
        $order = $body->order->of(
            array_map(static fn (Candidate $c) => $c->position, $candidates),
            array_map(static fn (Candidate $c) => $c->name ?? '', $candidates),
        );
        $shapes = new DrawnShapes($project);
        $givens = new Givens($project, $shapes);
        $words = new Words($project, $shapes);

        return Preparation::step($project, 'Points at '.$body->collection->kind->words(), static function (
            Preparation $step,
        ) use ($project, $body, $candidates, $order, $givens, $words): PointsKept {
            $standing = Standing::in($project);
            $names = new NewNames($project, $body->name);
            $rows = [];
            $skipped = 0;
            foreach ($order as $i) {
                $c = $candidates[$i];
                $at = Recipe::withElevation($body->elevation, $c->position, $givens);
                if ($standing->at($at) !== null) {
                    $skipped++;

                    continue;
                }
                $name = $names->take($c->name === null ? null : $body->name.$c->name);
                $standing->add($at, $name);
                $recipe = new Recipe($words->of($c->construction), $c->construction, $c->letter, $c->index, $body->elevation);
                $rows[] = $recipe->point($project->id, $name, $at, $body->code, $body->description);
            }
            $step->createMany((new StakeoutPoint)->getTable(), $rows);

            return new PointsKept(count($rows), $skipped, array_slice(array_column($rows, 'name'), 0, 200));
        });
    }
}
