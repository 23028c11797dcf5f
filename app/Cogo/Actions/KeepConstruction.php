<?php

declare(strict_types=1);

namespace App\Cogo\Actions;

use App\Cogo\Construct;
use App\Cogo\Construction;
use App\Cogo\ConstructionToKeep;
use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Cogo\PlaceToKeep;
use App\Cogo\PointsKept;
use App\Cogo\Recipe;
use App\Cogo\Standing;
use App\Cogo\Words;
use App\Points\Models\StakeoutPoint;
use App\Points\NamingWay;
use App\Points\NewNames;
use App\Projects\Models\Project;
use App\Projects\Preparation;
use Parlay\Core\Cogo\ConstructionKind;
use Parlay\Core\Cogo\Made;
use Parlay\Core\Cogo\MadePlace;

/** Makes stakeout points of the places of a construction; each remembers how. What stands there already is not made twice. */
final class KeepConstruction
{
    public function __invoke(Project $project, ConstructionToKeep $body): PointsKept
    {
        $shapes = new DrawnShapes($project);
        $givens = new Givens($project, $shapes);
        $made = (new Construct($givens, $project->length_style))->made($body->construction);
        $description = (new Words($project, $shapes))->of($body->construction);

        return Preparation::step($project, self::label($body), static function (
            Preparation $step,
        ) use ($project, $body, $made, $givens, $description): PointsKept {
            $standing = Standing::in($project);
            $rows = [];
            $skipped = 0;
            $names = new NewNames($project, $body->name);
            $sources = StakeoutPoint::of($project)
                ->whereIn('id', array_filter(array_column($body->construction->places, 'pointId')))
                ->pluck('name', 'id')
                ->all();
            foreach ($body->kept as $kept) {
                $place = $made->place($kept->letter, $kept->index)
                    ?? throw new \DomainException("Solution {$kept->letter} has no such place any more. Look at the preview again.");
                $recipe = new Recipe($description, $body->construction, $kept->letter, $kept->index, $body->elevation);
                $at = $recipe->elevated($place->position, $givens);
                if ($standing->at($at) !== null) {
                    $skipped++;

                    continue;
                }
                $name = $names->take($kept->name ?? self::named($sources, $body, $kept, $place));
                $standing->add($at, $name);
                $rows[] = $recipe->point($project->id, $name, $at, $body->code, $body->description);
            }
            $step->createMany((new StakeoutPoint)->getTable(), $rows);

            return new PointsKept(count($rows), $skipped, array_column($rows, 'name'));
        });
    }

    /**
     * Null for the next free number after the prefix.
     *
     * @param  array<int, string>  $sources
     */
    private static function named(array $sources, ConstructionToKeep $body, PlaceToKeep $kept, MadePlace $place): ?string
    {
        if (count($body->kept) === 1) {
            return $body->name;
        }

        return match ($body->naming) {
            NamingWay::Numbered => null,
            NamingWay::ByPlace => $body->name.'.'.($place->word === '' ? $kept->letter : $place->word),
            NamingWay::BySource => self::sourceName($sources, $body->construction, $kept),
        };
    }

    /**
     * Patterns about several points go point by point.
     *
     * @param  array<int, string>  $sources  names of the points
     */
    private static function sourceName(array $sources, Construction $construction, PlaceToKeep $kept): string
    {
        $each = $construction->kind === ConstructionKind::BoltList
            ? count($construction->pattern)
            : $construction->count * ($construction->kind === ConstructionKind::BoltRectangle ? $construction->across : 1);
        $source = $construction->places[intdiv($kept->index, max(1, $each))] ?? null;
        $id = $source->pointId ?? throw new \DomainException('Only what was made about stakeout points can be named by them.');

        return ($sources[$id] ?? '').'.'.($kept->index % max(1, $each) + 1);
    }

    private static function label(ConstructionToKeep $body): string
    {
        return count($body->kept) === 1
            ? "New point {$body->name}"
            : count($body->kept).' new points by '.$body->construction->kind->words();
    }
}
