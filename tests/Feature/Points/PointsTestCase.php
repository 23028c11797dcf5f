<?php

declare(strict_types=1);

namespace Tests\Feature\Points;

use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\FeatureTestCase;

/** Lists that are brought in, and points that are there. */
abstract class PointsTestCase extends FeatureTestCase
{
    /** @return array<string, mixed> */
    protected function preview(Project $project, string $upload, string $target = 'points'): array
    {
        return $this
            ->ask('POST', "/projects/{$project->id}/points-preview", ['upload' => $upload, 'target' => $target])
            ->assertOk()
            ->json();
    }

    /** @param  array<string, mixed>  $more */
    protected function import(Project $project, string $bytes, array $more = [], string $name = 'list.csv'): TestResponse
    {
        $upload = $this->upload($project, $bytes, $name);

        return $this->take($project, $upload, $this->preview($project, $upload)['layout'], $more);
    }

    /**
     * @param  array<string, mixed>  $layout
     * @param  array<string, mixed>  $more
     */
    protected function take(Project $project, string $upload, array $layout, array $more = []): TestResponse
    {
        return $this->ask(
            'POST', "/projects/{$project->id}/points-import",
            ['upload' => $upload, 'layout' => $layout, 'target' => 'points', ...$more],
        );
    }

    /** @param  list<array{string, float|int, float|int}>  $points */
    protected function withPoints(array $points): Project
    {
        $project = $this->project();
        DB::table('stakeout_points')->insert(array_map(static fn (array $p) => [
            'project_id' => $project->id, 'name' => $p[0], 'northing' => $p[1], 'easting' => $p[2], 'origin' => 'typed',
        ], $points));

        return $project;
    }

    /**
     * @param  list<string>  $names
     * @return list<int>
     */
    protected function ids(Project $project, array $names): array
    {
        $ids = StakeoutPoint::of($project)->pluck('id', 'name');

        return array_map(static fn (string $name) => (int) $ids[$name], $names);
    }
}
