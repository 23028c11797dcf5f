<?php

declare(strict_types=1);

namespace App\Cogo\Actions;

use App\Cogo\ElevationWanted;
use App\Cogo\PointChange;
use App\Cogo\Recipe;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Projects\Preparation;
use App\Seen;
use Parlay\Core\Cogo\ElevationRule;

final class ChangePoint
{
    private const MOST_ATTRIBUTES = 50;

    public function __invoke(Project $project, StakeoutPoint $point, PointChange $body): StakeoutPoint
    {
        $name = PointName::checked($body->name);

        return Preparation::step($project, "Changed point $name", static function (
            Preparation $step,
        ) use ($project, $point, $body, $name): StakeoutPoint {
            $point->refresh();
            Seen::refuseOther($point, $body->seen === null ? null : (array) $body->seen, $point->name);
            // One that shares its name with another, as two ends of one thing do, may keep it.
            if ($name !== $point->name) {
                MakePoint::refuseTaken($project, $name, $point->id);
            }
            $step->update($point, [
                'name' => $name, 'northing' => $body->northing, 'easting' => $body->easting,
                'elevation' => $body->elevation, 'code' => $body->code, 'description' => $body->description,
            ] + self::attributes($body) + self::origin($point, $body));

            return $point;
        });
    }

    /** @return array<string, array<string, string>|null> */
    private static function attributes(PointChange $body): array
    {
        if ($body->attributes === null) {
            return [];
        }
        $kept = [];
        foreach ($body->attributes as $a) {
            if (trim($a->name) === '' || mb_strlen($a->name) > 60 || mb_strlen($a->value) > 500) {
                throw new \DomainException('An attribute needs a name of at most 60 characters and a value of at most 500.');
            }
            $kept[trim($a->name)] = $a->value;
        }

        return ['attributes' => $kept === []
            ? null
            : (count($kept) > self::MOST_ATTRIBUTES ? throw new \DomainException('A point can have 50 attributes.') : $kept)];
    }

    /**
     * A point that was moved by hand is no longer where its source says; one that was given another elevation keeps its place there.
     *
     * @return array<string, mixed>
     */
    private static function origin(StakeoutPoint $point, PointChange $body): array
    {
        if ($body->northing !== $point->northing || $body->easting !== $point->easting) {
            return ['origin' => 'typed', 'recipe' => null];
        }
        $recipe = $body->elevation === $point->elevation ? null : Recipe::kept($point->recipe);
        if ($recipe === null) {
            return [];
        }
        $elevation = $body->elevation === null
            ? new ElevationWanted(ElevationRule::None)
            : new ElevationWanted(ElevationRule::Figure, $body->elevation);

        return ['recipe' => (new Recipe($recipe->description, $recipe->construction, $recipe->letter, $recipe->index, $elevation))->row()];
    }
}
