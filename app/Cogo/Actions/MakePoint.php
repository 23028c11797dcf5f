<?php

declare(strict_types=1);

namespace App\Cogo\Actions;

use App\Cogo\Construction;
use App\Cogo\ElevationWanted;
use App\Cogo\GivenPlace;
use App\Cogo\NewPoint;
use App\Cogo\Recipe;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Projects\Preparation;
use Parlay\Core\Cogo\ConstructionKind;
use Parlay\Core\Cogo\ElevationRule;
use Parlay\Core\Geometry\Position;

/** Makes a stakeout point, from a spot of a drawing or from typed coordinates. */
final class MakePoint
{
    public function __construct(private readonly FindSpot $findSpot) {}

    public function __invoke(Project $project, NewPoint $body): StakeoutPoint
    {
        $name = PointName::checked($body->name);
        [$place, $description] = $this->place($project, $body);
        $elevation = $body->elevation === null ? null : new ElevationWanted(ElevationRule::Figure, $body->elevation);
        $recipe = $body->spot === null ? null : (new Recipe(
            $description, new Construction(ConstructionKind::Place, [new GivenPlace(spot: $body->spot)]), elevation: $elevation,
        ))->row();

        return Preparation::step($project, "New point $name", static function (
            Preparation $step,
        ) use ($project, $body, $name, $place, $recipe): StakeoutPoint {
            self::refuseTaken($project, $name, null);

            return $step->create(new StakeoutPoint([
                'project_id' => $project->id, 'name' => $name, 'code' => $body->code, 'description' => $body->description,
                'northing' => $place->northing, 'easting' => $place->easting, 'elevation' => $body->elevation ?? $place->elevation,
                'origin' => $recipe === null ? 'typed' : 'drawing', 'recipe' => $recipe,
            ]));
        });
    }

    public static function refuseTaken(Project $project, string $name, ?int $except): void
    {
        if (StakeoutPoint::query()->where('project_id', $project->id)->where('name', $name)->whereKeyNot($except)->exists()) {
            $free = PointName::next($project->id, rtrim($name, '0123456789'));
            throw new \DomainException("There is a point “{$name}” already. The next free name is $free.");
        }
    }

    /** @return array{Position, string} */
    private function place(Project $project, NewPoint $body): array
    {
        if ($body->spot !== null) {
            return ($this->findSpot)($project, $body->spot);
        }
        if ($body->northing === null || $body->easting === null) {
            throw new \DomainException('A point needs a spot of a drawing, or a northing and an easting.');
        }

        return [new Position($body->northing, $body->easting, $body->elevation), 'typed'];
    }
}
