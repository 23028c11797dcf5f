<?php

declare(strict_types=1);

namespace App\Practice\Actions;

use App\Control\Models\ControlPoint;
use App\Practice\PracticeWorld;
use App\Projects\Models\Project;

/** Lays the practice site out where this project's control says, near enough. */
final class PlantSite
{
    public function __construct(private readonly PracticeWorld $world) {}

    /** @return array<string, mixed> */
    public function __invoke(Project $project): array
    {
        $control = $project->listedControl()->get()->map(static fn (ControlPoint $c) => [
            'name' => $c->name, 'northing' => $c->northing, 'easting' => $c->easting, 'elevation' => $c->elevation,
        ])->all();
        if ($control === []) {
            throw new \DomainException('There is no control yet to lay a practice site out on. Bring it in first.');
        }

        return $this->world->do(['do' => 'plant', 'site' => self::site($project), 'seed' => $project->id, 'control' => $control]);
    }

    public static function site(Project $project): string
    {
        return "project {$project->id}";
    }
}
