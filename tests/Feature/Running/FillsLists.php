<?php

declare(strict_types=1);

namespace Tests\Feature\Running;

use App\Projects\Models\Project;
use Parlay\Core\Geometry\Position;

/** A project with some of each record that stands in a list. */
trait FillsLists
{
    /** Five of each. */
    private function filled(): Project
    {
        $project = $this->project();
        $this->site($project);
        $this->setUpInstrument($project);
        $this->fill($project, range(1, 5));

        return $project;
    }

    /** @param  list<int>  $numbers  one of each for each number */
    private function fill(Project $project, array $numbers): void
    {
        $at = fn (string $path, array $body) => $this->ask('POST', "/projects/{$project->id}$path", $body)->assertOk();
        $lines = [];
        foreach ($numbers as $k) {
            $point = $at('/points', ['name' => "P$k", 'northing' => 1000.0 + $k, 'easting' => 2000.0, 'elevation' => 10.0])->json('id');
            $at('/control', ['name' => "N$k", 'northing' => 1000.0 + $k, 'easting' => 2010.0, 'elevation' => 10.0]);
            $at('/codes', ['code' => chr(90 - $k), 'description' => "Code $k"]);
            $at('/worklists', ['name' => "List $k", 'pointIds' => [$point]]);
            $at('/marks', [
                'key' => $this->newKey(), 'kind' => 'as_built', 'name' => "B$k", 'withoutCheck' => true,
                'observationId' => $this->measure($project, 'as_built', new Position(1000.0 + $k, 2020.0, 10.0))->id,
            ]);
            $lines[] = ['name' => "$k", 'family' => 'rows', 'northing1' => 1000.0 + $k, 'easting1' => 2000.0, 'northing2' => 1000.0 + $k, 'easting2' => 2050.0];
            $at('/aims', ['key' => $this->newKey(), 'elevation' => 10.0 + $k]);
        }
        $at('/grid-lines', ['lines' => $lines]);
    }
}
