<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Project;
use App\Models\Task;
use App\Packing;
use App\Tasks\PackProject;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Parlay\Core\Geometry\Position;
use Tests\FeatureTestCase;

/** A whole project into one file and back, with its original files and its field book. */
final class PackingTest extends FeatureTestCase
{
    public function test_a_packed_project_comes_back_whole_beside_the_one_that_is_here(): void
    {
        $project = $this->worked();
        $made = Project::query()->findOrFail($this->unpack($this->packed($project))->assertOk()->json('id'));
        self::assertNotSame($project->id, $made->id);
        foreach (array_keys(Packing::TABLES) as $table) {
            self::assertSame(self::rows($table, $project->id), self::rows($table, $made->id), $table);
        }
        self::assertNotNull($made->currentSetup);
        self::assertSame('design', $made->designs()->findOrFail($made->active_design_id)->role);
        $spot = $made->points()->where('name', 'P1')->firstOrFail()->recipe['construction']['places'][0]['spot'];
        self::assertSame($made->designs()->firstOrFail()->id, (int) DB::table('design_layers')->where('id', $spot['layerId'])->value('design_id'), 'a recipe names the layer of its own project');
        $p1 = $made->points()->where('name', 'P1')->firstOrFail()->id;
        self::assertSame($p1, $made->points()->where('name', 'P2')->firstOrFail()->recipe['construction']['places'][0]['pointId']);
        self::assertSame([$p1], $made->worklists()->firstOrFail()->point_ids);
        $this->unpack($this->packed($project))->assertOk();
        self::assertSame(3, Project::query()->count(), 'the same file may come in twice');
    }

    public function test_setups_that_come_in_are_worked_out_anew_from_their_own_readings(): void
    {
        $project = $this->worked();
        $made = Project::query()->findOrFail($this->unpack($this->packed($project))->assertOk()->json('id'));
        $setup = $made->setups()->firstOrFail();
        $readings = array_column($setup->draft['sights'], 'observationId');
        self::assertCount(3, $readings);
        self::assertSame($readings, $made->observations()->whereIn('id', $readings)->pluck('id')->all(), 'they are readings of the new project');
        self::assertSame($readings, array_column($setup->sights, 'observationId'));
        self::assertSame($setup->id, $made->controlPoints()->where('origin', 'station')->firstOrFail()->setup_id);
        $mended = array_values(array_filter($this->ask('GET', "/projects/{$made->id}/setup-proposals")->json(), static fn (array $p) => (float) $p['up'] !== 0.0));
        self::assertSame([], $mended, 'as they came, they are as they were accepted');
        $this->ask('POST', "/projects/{$made->id}/corrections", ['observationId' => $readings[0], 'targetHeight' => 1.9, 'prismConstant' => 0.0, 'note' => 'pushed in', 'alike' => true])->assertOk();
        self::assertEqualsWithDelta(-0.1, $this->ask('GET', "/projects/{$made->id}/setup-proposals")->json('0.up'), 0.003);
    }

    public function test_a_station_packed_by_an_earlier_version_is_still_told_from_listed_control(): void
    {
        $project = $this->worked();
        $packed = tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($packed, $this->packed($project));
        $zip = new \ZipArchive;
        $zip->open($packed);
        $rows = array_map(static fn (string $line) => json_decode($line, true), explode("\n", trim((string) $zip->getFromName('tables/control_points.ndjson'))));
        $earlier = implode("\n", array_map(static fn (array $r) => json_encode(array_diff_key($r['origin'] === 'station' ? ['source' => "measured: setup {$r['setup_id']}"] + $r : $r, ['origin' => 0, 'setup_id' => 0])), $rows))."\n";
        $zip->addFromString('tables/control_points.ndjson', $earlier);
        $manifest = json_decode((string) $zip->getFromName(Packing::MANIFEST), true);
        $manifest['sha256']['tables/control_points.ndjson'] = hash('sha256', $earlier);
        $zip->addFromString(Packing::MANIFEST, (string) json_encode($manifest));
        $zip->close();
        $made = Project::query()->findOrFail($this->unpack((string) file_get_contents($packed))->assertOk()->json('id'));
        self::assertSame($made->setups()->firstOrFail()->id, $made->controlPoints()->where('origin', 'station')->firstOrFail()->setup_id);
        self::assertSame(4, $made->listedControl()->count());
    }

    public function test_a_damaged_one_is_refused_with_a_reason_and_nothing_is_stored(): void
    {
        $project = $this->worked();
        $good = $this->packed($project);
        $changed = tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($changed, $good);
        $zip = new \ZipArchive;
        $zip->open($changed);
        $zip->addFromString('tables/marks.ndjson', '{"id":1}'."\n");
        $zip->close();
        foreach (['“tables/marks.ndjson” in it is not what was packed' => (string) file_get_contents($changed), 'can’t be opened' => substr($good, 0, 2000), 'no packed project' => 'PK nothing'] as $says => $bytes) {
            self::assertStringContainsString($says, (string) $this->unpack($bytes)->assertStatus(422)->json('message'));
        }
        self::assertSame(1, Project::query()->count());
    }

    private function worked(): Project
    {
        $project = $this->project();
        $this->site($project);
        $this->setUpInstrument($project);
        $dxf = "0\nSECTION\n2\nENTITIES\n0\nLINE\n8\nA\n10\n2000\n20\n1000\n11\n2010\n21\n1000\n0\nENDSEC\n0\nEOF\n";
        $task = $this->ask('POST', "/projects/{$project->id}/designs", ['upload' => $this->upload($project, $dxf, 'a.dxf'), 'name' => 'A', 'unit' => 'm', 'layers' => ['A'], 'heights' => 'dropped'])->json('id');
        $this->ask('GET', "/projects/{$project->id}/tasks/$task")->assertJson(['state' => 'done']);
        $layer = (int) DB::table('design_layers')->value('id');
        $point = $this->ask('POST', "/projects/{$project->id}/points", ['name' => 'P1', 'spot' => ['layerId' => $layer, 'shape' => 0, 'kind' => 'end']])->assertOk()->json('id');
        $line = ['family' => 'letters', 'northing1' => 0, 'easting1' => 0, 'northing2' => 0, 'easting2' => 9];
        $this->ask('POST', "/projects/{$project->id}/grid-lines", ['lines' => [['name' => 'A'] + $line]])->assertOk();
        $this->ask('POST', "/projects/{$project->id}/codes", ['code' => 'MH', 'trade' => 'Drainage'])->assertOk();
        $this->ask('POST', "/projects/{$project->id}/worklists", ['name' => 'Monday', 'pointIds' => [$point]])->assertOk();
        $from = ['kind' => 'directionDistance', 'places' => [['pointId' => $point]], 'directions' => [['azimuth' => 1]], 'distances' => [['metres' => 5]]];
        $this->ask('POST', "/projects/{$project->id}/constructions", ['construction' => $from, 'kept' => [['letter' => 'A', 'index' => 0]], 'name' => 'P2'])->assertOk();
        $observation = $this->measure($project, 'stake', new Position(1000.0, 2010.0, 10.0));
        $this->ask('POST', "/projects/{$project->id}/marks", ['key' => $this->newKey(), 'kind' => 'stake', 'observationId' => $observation->id, 'pointId' => $point, 'evenOut' => true, 'withoutCheck' => true])->assertOk();

        $this->ask('POST', "/projects/{$project->id}/instruments", ['name' => '2″'])->assertOk();
        $this->ask('POST', "/projects/{$project->id}/targets", ['name' => 'pole'])->assertOk();
        DB::table('corrections')->insert(['project_id' => $project->id, 'observation_id' => $observation->id, 'at' => '2026-01-01', 'target_height' => 1.9, 'prism_constant' => 0.0, 'note' => 'the pole had slipped']);

        return $project;
    }

    private function packed(Project $project): string
    {
        $task = $this->ask('POST', "/projects/{$project->id}/packing")->assertOk()->json('id');
        $this->ask('GET', "/projects/{$project->id}/tasks/$task")->assertJson(['state' => 'done']);
        $this->get("/api/v1/projects/{$project->id}/packed/$task")->assertOk();

        return (string) file_get_contents(PackProject::path(Task::query()->findOrFail($task)));
    }

    private function unpack(string $bytes): TestResponse
    {
        $path = tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($path, $bytes);
        $upload = $this->post('/api/v1/packed-uploads', ['file' => new UploadedFile($path, 'p.zip', test: true)])->assertOk()->json('upload');

        return $this->ask('POST', '/projects-unpacking', ['upload' => $upload]);
    }

    /** @return list<array<string, mixed>> without what is numbered anew */
    private static function rows(string $table, int $project): array
    {
        $query = $table === 'design_layers' ? DB::table($table)->whereIn('design_id', DB::table('designs')->where('project_id', $project)->select('id')) : DB::table($table)->where('project_id', $project);
        $anew = array_flip(['id', 'key', 'recipe', 'sights', 'draft', 'point_ids', 'setup_id', 'next_layer_id', 'project_id', ...array_keys(Packing::TABLES[$table])]);
        $rows = $query->orderBy('id')->get()->map(static fn (object $r) => array_diff_key((array) $r, $anew))->all();
        self::assertNotSame([], $rows, $table);

        return $rows;
    }
}
