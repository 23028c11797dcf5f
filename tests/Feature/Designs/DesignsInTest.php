<?php

declare(strict_types=1);

namespace Tests\Feature\Designs;

use App\Control\Models\ControlPoint;
use App\Designs\Models\Design;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\RunTask;
use App\Tasks\StartTask;
use App\Tasks\TaskKind;
use Illuminate\Support\Facades\DB;
use Tests\FeatureTestCase;

/** Drawings on their way in: inspected, fitted, placed, cleared up, revised, stopped. */
final class DesignsInTest extends FeatureTestCase
{
    use TakesDrawings;

    public function test_a_drawing_in_millimetres_is_found_to_fit_control_in_metres(): void
    {
        $project = $this->control($this->project());
        $inspection = $this->inspect($project, self::hall(1000));
        self::assertSame(
            ['mm', true, 4],
            [$inspection['fits'][0]['unit'], $inspection['fits'][0]['asDrawn'], count($inspection['fits'][0]['matches'])],
        );
        self::assertTrue($inspection['fits'][0]['matches'][0]['named']);
        self::assertSame(4, $inspection['controlTried']);
        self::assertSame([1, 1], [$inspection['duplicates'], $inspection['zeroLengths']]);
    }

    public function test_a_drawing_of_its_own_origin_is_placed_by_matched_points_with_residuals(): void
    {
        $project = $this->control($this->project());
        $upload = $this->upload($project, self::hall(1000, true), 'hall.dxf');
        $fit = $this->inspected($project, $upload)['fits'][0];
        self::assertEqualsWithDelta(0.3, $fit['rotation'], 1e-4);
        $ids = ControlPoint::of($project)->pluck('id', 'name');
        $pairs = array_map(static fn (array $m) => ['controlId' => $ids[$m['name']], 'x' => $m['x'], 'y' => $m['y']], $fit['matches']);
        $placed = $this->ask('POST', "/projects/{$project->id}/compute-placement", ['unit' => 'mm', 'pairs' => $pairs])->assertOk()->json();
        self::assertLessThan(0.001, max($placed['residuals']));
        $design = $this->take($project, $upload, ['unit' => 'mm', 'layers' => ['CONTROL', 'LINES'], 'placement' => $placed['placement']]);
        $record = $this->records($project, $design, 'CONTROL');
        self::assertEqualsWithDelta([2000.0, 1000.0], [unpack('e', $record, 8)[1], unpack('e', $record, 16)[1]], 0.001);
        self::assertStringContainsString('turned by 17.18', $this->designs($project)[0]['placed']);
        $this
            ->ask('POST', "/projects/{$project->id}/compute-placement", ['unit' => 'mm', 'pairs' => array_slice($pairs, 0, 1)])
            ->assertStatus(422);
        // One point held, from the other the direction alone.
        $two = [$pairs[0], ['x' => $pairs[1]['x'] + 30.0] + $pairs[1]];
        $held = $this->ask('POST', "/projects/{$project->id}/compute-placement", ['unit' => 'mm', 'pairs' => $two, 'holdFirst' => true])->assertOk()->json();
        self::assertEqualsWithDelta([0.0, 1.0], [$held['residuals'][0], $held['scale']], 1e-9);
        self::assertGreaterThan(0.001, $held['residuals'][1]);
        $this
            ->ask('POST', "/projects/{$project->id}/compute-placement", ['unit' => 'mm', 'pairs' => $pairs, 'holdFirst' => true])
            ->assertStatus(422);
        $typed = $this->ask(
            'POST', "/projects/{$project->id}/compute-placement",
            ['unit' => 'mm', 'typed' => ['dNorthing' => 5.0, 'dEasting' => 7.0, 'rotation' => M_PI_2]],
        )->json('placement');
        self::assertEqualsWithDelta([0.0, -1.0, 7.0, 5.0], [$typed['a'], $typed['b'], $typed['dEasting'], $typed['dNorthing']], 1e-12);
    }

    public function test_a_damaged_drawing_is_read_as_far_as_it_goes_and_every_repair_stays_written_down(): void
    {
        $project = $this->project();
        $bytes = str_replace("CIRCLE\n8\nLINES\n10\n", "CIRCLE\n8\nLINES\nten\n", substr(self::hall(1), 0, -20));
        $upload = $this->upload($project, $bytes, 'hall.dxf');
        $inspection = $this->inspected($project, $upload);
        self::assertStringContainsString('before its closing EOF', $inspection['damage']);
        self::assertGreaterThan(1, count($inspection['repairs']));
        $body = ['unit' => 'm', 'layers' => ['LINES']];
        self::assertSame(
            'failed', $this->taking($project, $upload, $body)['state'], 'a damaged file is never taken unless that was decided',
        );
        self::assertSame(0, Design::query()->count());
        $this->take($project, $upload, $body + ['mend' => true]);
        self::assertStringContainsString('is no group code', implode(' ', $this->designs($project)[0]['remarks']));
    }

    public function test_a_revision_keeps_the_earlier_one_its_points_and_how_layers_were_set(): void
    {
        $project = $this->project();
        $first = $this->take(
            $project, $this->upload($project, self::hall(1), 'hall.dxf'),
            ['unit' => 'm', 'layers' => ['LINES', 'CONTROL'], 'heights' => 'used'],
        );
        $layer = (int) DB::table('design_layers')->where('design_id', $first)->where('name', 'LINES')->value('id');
        $this
            ->ask('PATCH', "/projects/{$project->id}/layers", ['layerIds' => [$layer], 'pickable' => false, 'colour' => '#ABCDEF'])
            ->assertNoContent();
        $this->ask('PATCH', "/projects/{$project->id}/layers", ['layerIds' => [$layer], 'colour' => 'red'])->assertStatus(422);
        $point = $this->ask(
            'POST', "/projects/{$project->id}/points", ['name' => 'P1', 'spot' => ['layerId' => $layer, 'shape' => 0, 'kind' => 'end']],
        )->assertOk()->json('id');
        $second = $this->take($project, $this->upload(
            $project, str_replace("40\n5.0\n", "40\n6.0\n", str_replace("11\n2050.0\n", "11\n2050.25\n", self::hall(1))), 'hall B.dxf',
        ), ['unit' => 'm', 'layers' => ['LINES', 'CONTROL'], 'heights' => 'used', 'revisesId' => $first, 'revision' => 'B']);
        [$old, $new] = $this->designs($project);
        self::assertSame([false, true, 'B', $first], [$old['current'], $new['current'], $new['revision'], $new['revisesId']]);
        self::assertSame(
            [['layer' => 'LINES', 'added' => 0, 'gone' => 0, 'moved' => 3, 'farthest' => 1]], $new['changes'],
            'a line drawn twice, and a circle, of another size',
        );
        self::assertSame([false, '#abcdef'], [$new['layers'][0]['pickable'], $new['layers'][0]['ownColour']]);
        self::assertSame(3 * 80, strlen((string) $this->get("/api/v1/projects/{$project->id}/designs/$second/moved")->getContent()));
        self::assertSame('P1', StakeoutPoint::of($project)->findOrFail($point)->name);
        self::assertSame($second, $project->refresh()->active_design_id);
        self::assertSame('failed', $this->taking(
            $project, $this->upload($project, self::hall(1), 'x.dxf'), ['unit' => 'm', 'layers' => ['LINES'], 'revisesId' => $first],
        )['state'], 'only the current one is revised');
        $third = $this->take(
            $project, $this->upload($project, self::hall(1), 'hall C.dxf'),
            ['unit' => 'm', 'layers' => ['LINES', 'CONTROL'], 'heights' => 'used', 'revisesId' => $second, 'revision' => 'C'],
        );
        $this->ask('DELETE', "/projects/{$project->id}/designs/$third")->assertNoContent();
        $this->ask('PUT', "/projects/{$project->id}", [
            'name' => 'Renamed since',
            'units' => ['length' => 'm', 'angle' => 'dms', 'direction' => 'azimuth', 'order' => 'NE', 'station' => '1+000'],
        ])->assertOk();
        foreach (range(1, 3) as $step) {
            $this->ask('POST', "/projects/{$project->id}/undo")->assertOk();
        }
        self::assertSame('Renamed since', $project->refresh()->name, 'undo takes back its own step only');
        self::assertSame([[true], $first], [array_column($this->designs($project), 'current'), $project->refresh()->active_design_id]);
    }

    public function test_one_design_is_active_and_a_background_stays(): void
    {
        $project = $this->project();
        $floor = $this->take($project, $this->upload($project, self::hall(1), 'floor.dxf'), ['unit' => 'm', 'layers' => ['LINES']]);
        $yard = $this->take(
            $project, $this->upload($project, self::hall(1), 'yard.dxf'),
            ['unit' => 'm', 'layers' => ['LINES'], 'role' => 'background'],
        );
        self::assertSame(
            [[true, false], ['design', 'background']],
            [array_column($this->designs($project), 'active'), array_column($this->designs($project), 'role')],
        );
        $this
            ->ask('PUT', "/projects/{$project->id}/designs/$yard", ['name' => 'Yard', 'role' => 'design', 'active' => true])
            ->assertNoContent();
        self::assertSame([false, true], array_column($this->designs($project), 'active'));
        $this->ask('POST', "/projects/{$project->id}/undo");
        self::assertSame($floor, $project->refresh()->active_design_id);
    }

    public function test_curves_and_clearing_up_come_through_with_dropped_heights(): void
    {
        $project = $this->project();
        $spline = "0\nSPLINE\n8\nCURVES\n70\n8\n71\n3\n72\n8\n73\n4\n40\n0\n40\n0\n40\n0\n40\n0\n40\n1\n40\n1\n40\n1\n40\n1\n10\n0\n20\n0\n30\n5\n10\n1\n20\n2\n30\n5\n10\n3\n20\n2\n30\n5\n10\n4\n20\n0\n30\n5\n";
        $upload = $this->upload($project, str_replace("0\nENDSEC\n0\nEOF\n", $spline."0\nENDSEC\n0\nEOF\n", self::hall(1)), 'hall.dxf');
        $design = $this->take($project, $upload, [
            'unit' => 'm', 'layers' => ['CURVES', 'LINES'], 'heights' => 'dropped',
            'cleanUp' => ['duplicates' => true, 'zeroLengths' => true, 'overlaps' => true],
        ]);
        $layer = collect($this->designs($project)[0]['layers'])->firstWhere('name', 'CURVES');
        self::assertSame(1, $layer['curves']);
        $curve = $this->get("/api/v1/projects/{$project->id}/layers/{$layer['id']}/curves")->assertOk()->json(0);
        self::assertEquals([3, [4, 0, null]], [$curve['degree'], $curve['points'][3]]);
        self::assertStringContainsString('1 drawn twice were cleared away', implode(' ', $this->designs($project)[0]['remarks']));
        self::assertSame(3 * 80, strlen($this->records($project, $design, 'LINES')));
    }

    public function test_a_shapefile_is_a_drawing_whose_lines_say_what_they_are(): void
    {
        $project = $this->project();
        $upload = $this->upload($project, self::shapefile(['kerb' => [[2000.0, 1000.0], [2050.0, 1000.0]], 'drain' => [[2000.0, 1010.0], [2030.0, 1050.0]]]), 'yard.zip');
        $inspection = $this->inspected($project, $upload);
        self::assertSame([null, ['yard, kerb', 'yard, drain']], [$inspection['declaredUnit'], array_column($inspection['layers'], 'name')]);
        $this->take($project, $upload, ['unit' => 'm', 'layers' => ['yard, drain'], 'heights' => 'dropped']);
        [$design] = $this->designs($project);
        self::assertSame(['yard, drain'], array_column($design['layers'], 'name'));
        $spot = $this->ask('POST', "/projects/{$project->id}/spots", ['layerId' => $design['layers'][0]['id'], 'shape' => 0, 'kind' => 'end'])->assertOk()->json();
        self::assertSame([2030.0, 1050.0], [(float) $spot['easting'], (float) $spot['northing']]);
        self::assertStringContainsString('record 2 of yard.zip (TYPE drain)', $spot['description']);
        self::assertSame('failed', $this->taking($project, $this->upload($project, "PK\x03\x04 cut off", 'a.zip'), ['unit' => 'm', 'layers' => []])['state']);
    }

    /** @param  array<string, list<array{float, float}>>  $lines  east and north of their corners by their type */
    private static function shapefile(array $lines): string
    {
        $shapes = '';
        $rows = pack('CC3VvvC20', 3, 126, 11, 27, count($lines), 65, 11, ...array_fill(0, 20, 0)).pack('a11aVCCx14', 'TYPE', 'C', 0, 10, 0)."\r";
        foreach (array_keys($lines) as $i => $type) {
            $xy = array_merge(...$lines[$type]);
            $body = pack('Ve4VVV', 3, 0, 0, 0, 0, 1, count($lines[$type]), 0).pack('e*', ...$xy);
            $shapes .= pack('NN', $i + 1, intdiv(strlen($body), 2)).$body;
            $rows .= ' '.str_pad($type, 10);
        }
        $path = tempnam(sys_get_temp_dir(), 'shp');
        $zip = new \ZipArchive;
        $zip->open($path, \ZipArchive::OVERWRITE);
        $zip->addFromString('yard.shp', pack('NN5NVVe8', 9994, 0, 0, 0, 0, 0, intdiv(100 + strlen($shapes), 2), 1000, 3, 0, 0, 0, 0, 0, 0, 0, 0).$shapes);
        $zip->addFromString('yard.dbf', $rows);
        $zip->close();

        return (string) file_get_contents($path);
    }

    public function test_work_that_was_stopped_leaves_nothing(): void
    {
        $project = $this->project();
        $upload = $this->upload($project, self::hall(1), 'hall.dxf');
        $task = Task::query()->create([
            'project_id' => $project->id, 'kind' => TaskKind::TakeDrawing->value, 'state' => 'waiting', 'result' => null,
            'error' => null, 'created_at' => '2026-11-25',
            'input' => ['upload' => $upload, 'name' => 'H', 'unit' => 'm', 'layers' => ['LINES'], 'heights' => 'dropped'],
        ]);
        Progress::cancel($task->id);
        (new RunTask($task->id))->handle();
        self::assertSame('cancelled', $this->ask('GET', "/projects/{$project->id}/tasks/{$task->id}")->json('state'));
        self::assertSame(
            [0, 0, 0], [DB::table('designs')->count(), DB::table('design_layers')->count(), DB::table('preparation_steps')->count()],
        );
    }

    public function test_what_waited_behind_a_killed_task_is_still_done(): void
    {
        $project = $this->project();
        $make = static fn (string $state) => Task::query()->create([
            'project_id' => $project->id, 'kind' => 'report', 'state' => $state, 'result' => null, 'error' => null,
            'created_at' => '2026-11-25', 'input' => [],
        ])->id;
        [$running, $waiting] = [$make('running'), $make('waiting')];
        Task::query()->whereKey($running)->update(['worker' => 'a']);
        StartTask::giveUpLeftovers('b');
        self::assertSame('running', Task::query()->findOrFail($running)->state, 'another worker’s work goes on');
        StartTask::giveUpLeftovers('a');
        self::assertSame(['failed', 'waiting'], [Task::query()->findOrFail($running)->state, Task::query()->findOrFail($waiting)->state]);
    }

    private function control(Project $project): Project
    {
        foreach (self::CONTROL as $name => [$n, $e]) {
            $this->ask('POST', "/projects/{$project->id}/control", ['name' => $name, 'northing' => $n, 'easting' => $e])->assertOk();
        }

        return $project;
    }

    /** @return array<string, mixed> */
    private function inspect(Project $project, string $dxf): array
    {
        return $this->inspected($project, $this->upload($project, $dxf, 'hall.dxf'));
    }

    private function records(Project $project, int $design, string $layer): string
    {
        $id = DB::table('design_layers')->where('design_id', $design)->where('name', $layer)->value('id');

        return (string) $this->get("/api/v1/projects/{$project->id}/layers/$id/shapes")->assertOk()->getContent();
    }

    private const CONTROL = ['CP1' => [1000.0, 2000.0], 'CP2' => [1012.0, 2055.0], 'CP3' => [1047.0, 2031.0], 'CP4' => [1039.0, 1998.0]];

    /** A hall with its control drawn in it, in metres times the factor; on its own turned origin if wanted. */
    private static function hall(float $factor, bool $local = false): string
    {
        $turn = static fn (float $e, float $n): array => $local
            ? [($e - 2000) * cos(0.3) - ($n - 1000) * sin(0.3), ($e - 2000) * sin(0.3) + ($n - 1000) * cos(0.3)]
            : [$e, $n];
        $number = static fn (float $x): string => number_format($x * $factor, $factor === 1.0 ? 1 : 4, '.', '');
        $dxf = "0\nSECTION\n2\nHEADER\n9\n\$ACADVER\n1\nAC1015\n9\n\$INSUNITS\n70\n"
            .($factor === 1000.0 ? 4 : 6)
            ."\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n";
        foreach ([
            [2000, 1000, 2050, 1000], [2000, 1000, 2050, 1000], [2003, 1003, 2003, 1003], [2000, 1005, 2040, 1005],
        ] as [$a, $b, $c, $d]) {
            [$p, $q] = [$turn($a, $b), $turn($c, $d)];
            $dxf .= "0\nLINE\n8\nLINES\n10\n{$number(
                $p[0],
            )}\n20\n{$number($p[1])}\n30\n0.0\n11\n{$number($q[0])}\n21\n{$number($q[1])}\n31\n0.0\n";
        }
        [$x, $y] = $turn(2020, 1020);
        $dxf .= "0\nCIRCLE\n8\nLINES\n10\n{$number($x)}\n20\n{$number($y)}\n40\n{$number(5)}\n";
        foreach (self::CONTROL as $name => [$n, $e]) {
            [$x, $y] = $turn($e, $n);
            $dxf .= "0\nPOINT\n8\nCONTROL\n10\n{$number(
                $x,
            )}\n20\n{$number($y)}\n0\nTEXT\n8\nCONTROL\n10\n{$number($x + 0.3)}\n20\n{$number($y + 0.3)}\n40\n{$number(0.5)}\n1\n$name\n";
        }

        return $dxf."0\nENDSEC\n0\nEOF\n";
    }
}
