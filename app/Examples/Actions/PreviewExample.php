<?php

declare(strict_types=1);

namespace App\Examples\Actions;

use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Cogo\Recipe;
use App\Cogo\Standing;
use App\Examples\ExampleFound;
use App\Examples\ExampleWanted;
use App\Examples\FollowExample;
use App\Projects\Models\Project;

/** What an example would make; stores nothing. */
final class PreviewExample
{
    private const TOLD = 200;

    public function __invoke(Project $project, ExampleWanted $example): ExampleFound
    {
        $followed = new FollowExample($project, $example);
        $givens = new Givens($project, new DrawnShapes($project));
        $standing = Standing::in($project);
        $places = $names = [];
        $old = 0;
        foreach ($followed->candidates as $c) {
            $at = Recipe::withElevation($example->elevation, $c->position, $givens);
            if ($standing->at($at) !== null) {
                $old++;

                continue;
            }
            $standing->add($at, $c->name ?? '');
            array_push($places, $at->easting, $at->northing, $at->elevation ?? 0.0);
            if ($c->name !== null && count($names) < self::TOLD) {
                $names[] = $c->name;
            }
        }

        return new ExampleFound($followed->things, $followed->mirrored, count($followed->candidates), $old, $places, $names, $followed->notFitting);
    }
}
