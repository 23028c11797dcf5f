<?php

declare(strict_types=1);

namespace App\Cogo\Actions;

use App\Cogo\Construct;
use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Cogo\Recipe;
use App\Cogo\RecipeChange;
use App\Cogo\Words;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\Preparation;
use App\Seen;

/** Computes a point anew by a changed recipe. */
final class ChangeRecipe
{
    public function __invoke(Project $project, StakeoutPoint $point, RecipeChange $body): StakeoutPoint
    {
        $shapes = new DrawnShapes($project);
        $givens = new Givens($project, $shapes);
        if (str_contains((string) json_encode($body), "\"pointId\":{$point->id},")) {
            throw new \DomainException("“{$point->name}” can’t be computed from itself. Choose another point.");
        }
        $made = (new Construct($givens, $project->length_style))->made($body->construction)->place($body->letter, $body->index)->position
            ?? throw new \DomainException("The figure has no solution {$body->letter} with that place. Choose one that is drawn.");
        $recipe = new Recipe(
            (new Words($project, $shapes))->of($body->construction), $body->construction, $body->letter, $body->index, $body->elevation,
        );
        $at = $recipe->elevated($made, $givens);

        $seen = $body->seen === null ? null : (array) $body->seen;

        return Preparation::step($project, "Computed {$point->name} anew", static function (
            Preparation $step,
        ) use ($point, $recipe, $at, $seen): StakeoutPoint {
            Seen::refuseOther($point->refresh(), $seen, $point->name);
            $step->update($point, [
                'northing' => $at->northing, 'easting' => $at->easting, 'elevation' => $at->elevation, 'recipe' => $recipe->row(),
                'origin' => in_array($point->origin, ['drawing', 'model'], true) ? $point->origin : 'computed',
            ]);

            return $point;
        });
    }
}
