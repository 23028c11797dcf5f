<?php

declare(strict_types=1);

namespace App\Cogo\Actions;

use App\Cogo\CodeForMany;
use App\Cogo\DrawnShapes;
use App\Cogo\ElevationForMany;
use App\Cogo\Givens;
use App\Cogo\Recipe;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\Preparation;
use Parlay\Core\Geometry\Position;

/** Gives many points an elevation, a code or a description at once. */
final class ChangeMany
{
    public function elevations(Project $project, ElevationForMany $body): int
    {
        $givens = new Givens($project, new DrawnShapes($project));

        return $this->change($project, $body->ids, 'Elevations of '.count($body->ids).' points', static function (
            StakeoutPoint $p,
        ) use ($body, $givens): array {
            $recipe = Recipe::kept($p->recipe);
            $kept = $recipe === null ? null : json_encode(
                (new Recipe($recipe->description, $recipe->construction, $recipe->letter, $recipe->index, $body->elevation))->row(),
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION,
            );
            $at = Recipe::withElevation($body->elevation, new Position($p->northing, $p->easting, $p->elevation), $givens);

            return ['elevation' => $at->elevation] + ($kept === null ? [] : ['recipe' => $kept]);
        });
    }

    public function codes(Project $project, CodeForMany $body): int
    {
        $values = array_filter(['code' => $body->code, 'description' => $body->description], static fn (?string $v) => $v !== null);

        return $values === [] ? 0 : $this->change($project, $body->ids, 'Codes of '.count($body->ids).' points', static fn () => $values);
    }

    /**
     * @param  list<int>  $ids
     * @param  callable(StakeoutPoint): array<string, mixed>  $values
     */
    private function change(Project $project, array $ids, string $label, callable $values): int
    {
        return Preparation::step($project, $label, static function (Preparation $step) use ($project, $ids, $values): int {
            // Rows with other columns than the rest are written by themselves: a recipe is changed only where there is one.
            $before = $after = [];
            foreach (array_chunk($ids, 500) as $some) {
                foreach (StakeoutPoint::of($project)->whereIn('id', $some)->get() as $point) {
                    $new = $values($point);
                    $columns = implode(',', array_keys($new));
                    $before[$columns][$point->id] = array_intersect_key($point->getAttributes(), $new);
                    $after[$columns][$point->id] = array_replace($before[$columns][$point->id], $new);
                }
            }
            foreach ($after as $columns => $rows) {
                $step->updateMany('stakeout_points', $before[$columns], $rows);
            }

            return array_sum(array_map(count(...), $after));
        });
    }
}
