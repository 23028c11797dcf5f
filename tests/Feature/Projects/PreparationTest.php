<?php

declare(strict_types=1);

namespace Tests\Feature\Projects;

use App\Control\Models\ControlPoint;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use Illuminate\Support\Facades\DB;
use Tests\FeatureTestCase;

final class PreparationTest extends FeatureTestCase
{
    private const DXF = __DIR__.'/../../../database/demo/files/saltmarsh-yard.dxf';

    private const CONTROL = __DIR__.'/../../../database/demo/files/saltmarsh-yard-control.csv';

    public function test_a_control_file_is_guessed_shown_and_taken(): void
    {
        $project = $this->project();
        $upload = $this->upload($project, (string) file_get_contents(self::CONTROL), 'control.csv');
        $preview = $this->ask('POST', "/projects/{$project->id}/points-preview", ['upload' => $upload])->assertOk();
        self::assertSame(['name', 'easting', 'northing', 'elevation', 'code', 'description'], $preview->json('layout.columns'));
        self::assertSame([7, 0], [$preview->json('good'), $preview->json('faulty')]);
        self::assertSame(0, ControlPoint::of($project)->count(), 'a preview stores nothing');
        $this->ask(
            'POST', "/projects/{$project->id}/points-import",
            ['upload' => $upload, 'layout' => $preview->json('layout'), 'target' => 'control'],
        )->assertOk()->assertJson(['state' => 'done', 'result' => ['count' => 7]]);
        $first = $this->ask('GET', "/projects/{$project->id}/control")->json(0);
        self::assertSame(
            ['CP1', 78607.833, 41220.271, 4.118, 'control.csv, line 3'],
            [$first['name'], $first['northing'], $first['easting'], $first['elevation'], $first['source']],
        );
    }

    public function test_wrong_rows_are_named_and_nothing_is_half_taken(): void
    {
        $project = $this->project();
        $upload = $this->upload($project, "Name,N,E,Z\nA,1000,2000,1\nB,x,2,3\nC,1010,2010,2\nA,5,6,7\n", 'c.csv');
        $layout = $this->ask('POST', "/projects/{$project->id}/points-preview", ['upload' => $upload])->json('layout');
        $import = fn (bool $leaveOut) => $this->ask(
            'POST', "/projects/{$project->id}/points-import",
            ['upload' => $upload, 'layout' => $layout, 'target' => 'control', 'leaveOutFaulty' => $leaveOut],
        );
        $refused = $import(false)->assertStatus(409);
        self::assertStringContainsString('line 3, column 2', $refused->json('message'));
        self::assertSame('faulty_rows', $refused->json('reason'));
        self::assertSame(0, ControlPoint::of($project)->count());
        self::assertSame(
            'duplicates', $import(true)->assertStatus(409)->json('reason'), 'what becomes of the second A is never decided silently',
        );
        self::assertSame(0, ControlPoint::of($project)->count());
        $renamed = fn () => $this->ask(
            'POST', "/projects/{$project->id}/points-import",
            ['upload' => $upload, 'layout' => $layout, 'target' => 'control', 'leaveOutFaulty' => true, 'duplicates' => 'rename'],
        );
        $renamed()->assertOk();
        self::assertSame(['A', 'C', 'A-2'], ControlPoint::of($project)->orderBy('id')->pluck('name')->all());
        $this->ask('POST', "/projects/{$project->id}/undo")->assertOk();
        self::assertSame(0, ControlPoint::of($project)->count());
    }

    public function test_a_drawing_is_inspected_and_taken_in_the_unit_chosen(): void
    {
        $project = $this->project();
        $upload = $this->upload($project, (string) file_get_contents(self::DXF), '../../evil.dxf');
        $task = $this->ask('POST', "/projects/{$project->id}/drawing-inspection", ['upload' => $upload])->assertOk()->json('id');
        $inspection = $this->ask('GET', "/projects/{$project->id}/tasks/$task")->assertJson(['state' => 'done'])->json('result');
        self::assertSame(['mm', 'evil.dxf', 10], [$inspection['declaredUnit'], $inspection['fileName'], count($inspection['layers'])]);
        self::assertEqualsWithDelta(113.42, ($inspection['extent'][2] - $inspection['extent'][0]) / 1000, 0.01);
        $this->takeDrawing($project);
        $design = $this->ask('GET', "/projects/{$project->id}/designs")->json(0);
        self::assertSame(['ANCHORS', 'TRACK'], array_column($design['layers'], 'name'));
        $records = $this->get("/api/v1/projects/{$project->id}/layers/{$design['layers'][0]['id']}/shapes")->assertOk()->getContent();
        self::assertSame(96 * 80, strlen((string) $records));
        self::assertEqualsWithDelta(41249.9, unpack('e', (string) $records, 8)[1], 1.0);
    }

    public function test_a_file_that_is_no_drawing_is_answered_and_stores_nothing(): void
    {
        $project = $this->project();
        foreach (["\x89PNG\r\n\x1a\n....", '', "AC1032\0\0\0", "\xFF\xFE0\0"] as $bytes) {
            $upload = $this->upload($project, $bytes, 'plan.dxf');
            $task = $this->ask('POST', "/projects/{$project->id}/drawing-inspection", ['upload' => $upload])->json('id');
            $answer = $this->ask('GET', "/projects/{$project->id}/tasks/$task")->json();
            self::assertSame('failed', $answer['state']);
            self::assertNotSame('', $answer['error']);
            self::assertStringNotContainsString('.php', $answer['error']);
        }
        self::assertSame(0, DB::table('designs')->count());
    }

    public function test_a_point_made_by_touch_has_the_coordinates_that_core_computes(): void
    {
        $project = $this->project();
        $layer = $this->takeDrawing($project);
        $spot = ['layerId' => $layer, 'shape' => 0, 'kind' => 'centre'];
        $exact = $this->ask('POST', "/projects/{$project->id}/spots", $spot)->assertOk()->json();
        self::assertStringContainsString('Centre of circle, layer ANCHORS', $exact['description']);
        self::assertSame(0, StakeoutPoint::of($project)->count());
        $made = $this
            ->ask('POST', "/projects/{$project->id}/points", ['name' => 'A1', 'code' => 'ANCHOR', 'spot' => $spot])
            ->assertOk()
            ->json();
        self::assertSame([$exact['northing'], $exact['easting'], 'drawing'], [$made['northing'], $made['easting'], $made['origin']]);
        self::assertEqualsWithDelta(4.75, $made['elevation'], 1e-9);
        $this->ask('POST', "/projects/{$project->id}/points", ['name' => 'A1', 'spot' => $spot])->assertStatus(422)->assertJsonPath(
            'message', 'There is a point “A1” already. The next free name is A2.',
        );
        self::assertSame('A2', $this->ask('GET', "/projects/{$project->id}/next-name?prefix=A")->json('name'));
        $this
            ->ask('POST', "/projects/{$project->id}/spots", ['layerId' => $layer, 'shape' => 0, 'kind' => 'end'])
            ->assertStatus(422)
            ->assertJsonPath('message', 'A circle has no end.');
        $this->ask('POST', "/projects/{$project->id}/spots", ['layerId' => $layer, 'shape' => 9999, 'kind' => 'centre'])->assertStatus(422);
    }

    public function test_points_are_changed_deleted_undone_and_done_again(): void
    {
        $project = $this->project();
        $make = fn (string $name) => $this
            ->ask('POST', "/projects/{$project->id}/points", ['name' => $name, 'northing' => 78640.12345, 'easting' => 41250.5])
            ->assertOk()
            ->json('id');
        [$a, $b] = [$make('<b>Ü"\'</b>'), $make('P2')];
        $this
            ->ask('PUT', "/projects/{$project->id}/points/$a", ['name' => 'P1', 'northing' => 1.0, 'easting' => 2.0, 'elevation' => 3.0])
            ->assertOk();
        $this->ask('POST', "/projects/{$project->id}/points-deletion", ['ids' => [$a, $b]])->assertOk()->assertJson(['count' => 2]);
        self::assertSame(0, StakeoutPoint::of($project)->count());
        self::assertSame('Deleted 2 points', $this->ask('POST', "/projects/{$project->id}/undo")->json('label'));
        self::assertSame(['P1', 'P2'], StakeoutPoint::of($project)->orderBy('id')->pluck('name')->all());
        $this->ask('POST', "/projects/{$project->id}/undo");
        self::assertSame(
            ['<b>Ü"\'</b>', 78640.12345, null],
            array_values(StakeoutPoint::of($project)->findOrFail($a)->only(['name', 'northing', 'elevation'])),
        );
        $this->ask('POST', "/projects/{$project->id}/redo");
        self::assertSame('P1', StakeoutPoint::of($project)->findOrFail($a)->name);
        $make('P3');
        self::assertNull($this->ask('POST', "/projects/{$project->id}/redo")->json('label'), 'a new step ends what could be done again');
    }

    public function test_a_removed_drawing_comes_back_with_undo_and_its_points_stay(): void
    {
        $project = $this->project();
        $this->takeDrawing($project);
        $design = $this->ask('GET', "/projects/{$project->id}/designs")->json('0.id');
        $this->ask('DELETE', "/projects/{$project->id}/designs/$design")->assertNoContent();
        self::assertSame([], $this->ask('GET', "/projects/{$project->id}/designs")->json());
        $this->ask('POST', "/projects/{$project->id}/undo");
        self::assertCount(1, $this->ask('GET', "/projects/{$project->id}/designs")->json());
    }

    public function test_layers_are_shown_and_hidden(): void
    {
        $project = $this->project();
        $layer = $this->takeDrawing($project);
        $this->ask('PATCH', "/projects/{$project->id}/layers", ['layerIds' => [$layer + 1], 'visible' => false])->assertNoContent();
        self::assertSame([true, false], array_column($this->ask('GET', "/projects/{$project->id}/designs")->json('0.layers'), 'visible'));
    }

    public function test_units_change_what_is_shown_and_nothing_that_is_stored(): void
    {
        $project = $this->project();
        $id = $this
            ->ask('POST', "/projects/{$project->id}/points", ['name' => 'P1', 'northing' => 100.123456789, 'easting' => 2.0])
            ->json('id');
        $this->ask('PUT', "/projects/{$project->id}", [
            'name' => 'X',
            'units' => ['length' => 'ftin16', 'angle' => 'gon', 'direction' => 'bearing', 'order' => 'EN', 'station' => '1+00'],
        ])->assertOk()->assertJsonPath('units.length', 'ftin16');
        self::assertSame(100.123456789, StakeoutPoint::of($project)->findOrFail($id)->northing);
    }

    private function takeDrawing(Project $project): int
    {
        $upload = $this->upload($project, (string) file_get_contents(self::DXF), 'plan.dxf');
        $task = $this->ask(
            'POST', "/projects/{$project->id}/designs",
            ['upload' => $upload, 'name' => 'Plan', 'unit' => 'mm', 'layers' => ['ANCHORS', 'TRACK'], 'heights' => 'used'],
        )->assertOk()->json('id');
        $this->ask('GET', "/projects/{$project->id}/tasks/$task")->assertJson(['state' => 'done']);

        return (int) DB::table('design_layers')->where('name', 'ANCHORS')->orderByDesc('id')->value('id');
    }
}
