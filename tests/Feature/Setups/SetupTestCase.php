<?php

declare(strict_types=1);

namespace Tests\Feature\Setups;

use App\Control\Models\ControlPoint;
use App\Projects\Models\Project;
use Tests\FeatureTestCase;

/** A project with four control points and a stand-in among them. */
abstract class SetupTestCase extends FeatureTestCase
{
    protected Project $project;

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        $this->site($this->project);
    }

    protected function check(string $mark): void
    {
        $shot = $this->measure($this->project, 'check', $this->world->marks[$mark], $mark);
        $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => 'check', 'observationId' => $shot->id,
            'controlId' => ControlPoint::of($this->project)->where('name', $mark)->value('id'),
        ])->assertOk();
    }

    protected function at(string $path): string
    {
        return "/projects/{$this->project->id}$path";
    }
}
