<?php

declare(strict_types=1);

namespace App\Practice\Actions;

use App\Control\Models\ControlPoint;
use App\Practice\PracticeWorld;
use App\Practice\SiteSurfaces;
use App\Projects\Models\Project;

/** Lays the practice site out where this project's control says, near enough. */
final class PlantSite
{
    public function __construct(private readonly PracticeWorld $world) {}

    /** @return array<string, mixed> */
    public function __invoke(Project $project): array
    {
        $control = ControlPoint::listed($project)->get()->map(static fn (ControlPoint $c) => [
            'name' => $c->name, 'northing' => $c->northing, 'easting' => $c->easting, 'elevation' => $c->elevation,
        ])->all();
        if ($control === []) {
            throw new \DomainException('There is no control yet to lay a practice site out on. Bring it in first.');
        }

        $world = $this->asItWasLeft($project, array_column($control, 'name'))
            ?? $this->world->do(['do' => 'plant', 'site' => PracticeWorld::site($project), 'seed' => $project->id, 'control' => $control]);
        $surfaces = SiteSurfaces::of($project);

        return $surfaces === null ? $world : $this->world->do($surfaces);
    }

    /**
     * A site that was laid out before is gone back to, where the tripod stands as it was left: a setup on it goes on holding.
     *
     * @param  list<string>  $names  of the control as it is listed now
     * @return array<string, mixed>|null null where there is none yet, or the list has other names since
     */
    private function asItWasLeft(Project $project, array $names): ?array
    {
        $world = $this->world->goTo($project);
        $there = array_column(is_array($world['marks'] ?? null) ? $world['marks'] : [], 'name');

        return array_diff($names, $there) === [] ? $world : null;
    }
}
