<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Projects\Models\Project;
use Tests\FeatureTestCase;

/** A project with four control points and a stand-in among them. */
abstract class SiteTestCase extends FeatureTestCase
{
    protected Project $project;

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        $this->site($this->project);
    }

    protected function at(string $path): string
    {
        return "/projects/{$this->project->id}$path";
    }
}
