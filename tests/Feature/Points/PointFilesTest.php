<?php

declare(strict_types=1);

namespace Tests\Feature\Points;

use App\Control\Models\ControlPoint;
use App\Designs\Models\Design;
use App\Points\Models\StakeoutPoint;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;

/** Lists of points on their way in and out, over HTTP. */
final class PointFilesTest extends PointsTestCase
{
    /** Strings are lines of a drawing, points only where that was chosen; one step back takes all of it. */
    public function test_a_file_of_strings_is_taken_as_lines(): void
    {
        $text = "Name,N,E,Z\nKERB,100,200,5\nKERB,110,200,5.1\nKERB,120,205,5.2\n0,0,0,0\nWALL,101,210,5\nWALL,111,210,6\n0,0,0,0\n";
        $project = $this->project();
        $upload = $this->upload($project, $text, 'strings.csv');
        $seen = $this->preview($project, $upload);
        self::assertSame(
            [2, 5, 0, []], [$seen['strings'], $seen['good'], $seen['faulty'], $seen['findings']],
            'labels of strings are no names twice given',
        );
        $this->take($project, $upload, $seen['layout'], [])->assertOk()->assertJsonPath('result.count', 2);
        self::assertSame(0, StakeoutPoint::of($project)->count());
        $design = Design::of($project)->whereNull('removed_at')->firstOrFail();
        self::assertSame(['strings.csv', 'line', [200, 100, 210, 120]], [$design->file_name, $design->place_word, $design->extent]);
        self::assertSame([['KERB', 2], ['WALL', 1]], DB::table('design_layers')->where('design_id', $design->id)
            ->orderBy('id')
            ->get()
            ->map(static fn ($l) => [$l->name, $l->count])
            ->all());
        $this->ask('POST', "/projects/{$project->id}/undo");
        self::assertSame(0, Design::of($project)->whereNull('removed_at')->count());
        $this->ask('POST', "/projects/{$project->id}/redo");
        self::assertSame(1, Design::of($project)->whereNull('removed_at')->count());
        $this->take(
            $project, $this->upload($project, $text, 'strings.csv'), $seen['layout'], ['strings' => 'both', 'duplicates' => 'rename'],
        )->assertOk();
        self::assertSame(['KERB', 'KERB-2', 'KERB-3', 'WALL', 'WALL-2'], StakeoutPoint::of($project)->orderBy('id')->pluck('name')->all());
        // A string of one corner is no line, and not lost.
        $single = $this->project();
        $this
            ->take($single, $this->upload($single, $text."TREE,130,220,7\n0,0,0,0\n", 'strings.csv'), $seen['layout'], [])
            ->assertOk()
            ->assertJsonPath('result.count', 3);
        self::assertSame([['TREE'], 1], [StakeoutPoint::of($single)->pluck('name')->all(), Design::of($single)->count()]);
        $control = $this->project();
        $this->take(
            $control, $this->upload($control, $text, 'strings.csv'), $seen['layout'], ['target' => 'control', 'duplicates' => 'skip'],
        )->assertOk();
        self::assertSame([2, 0], [ControlPoint::of($control)->count(), Design::of($control)->count()], 'control is never a line');
    }

    public function test_what_the_doctor_finds_is_mended_with_one_touch_and_nothing_else_moves(): void
    {
        $project = $this->project();
        $rows = "Name,N,E,Z\n";
        foreach (range(1, 12) as $i) {
            $rows .= sprintf("P%d,%.3f,%.3f,0\n", $i, $i === 5 ? 52015.4 : 5200 + 3 * $i, 2300 + 5 * ($i % 4));
        }
        $upload = $this->upload($project, $rows, 'list.csv');
        $preview = $this->preview($project, $upload);
        $findings = array_column($preview['findings'], null, 'kind');
        self::assertSame([6], $findings['digit']['lines']);
        self::assertTrue($findings['zero_elevations']['noElevations']);
        $this->take(
            $project, $upload, $preview['layout'],
            ['places' => $findings['digit']['places'], 'noElevations' => true, 'leaveOutLines' => [13]],
        )->assertOk();
        $points = StakeoutPoint::of($project)->orderBy('id')->get();
        self::assertSame([11, 0], [$points->count(), $points->whereNotNull('elevation')->count()]);
        self::assertLessThan(300.0, abs($points[4]->northing - 5215.0));
        self::assertSame(5203.0, $points[0]->northing);
    }

    public function test_an_exchanged_list_is_held_against_the_control_that_is_there(): void
    {
        $project = $this->project();
        $this->import($project, "Name,N,E\nA,78600,41200\nB,78650,41250\nC,78630,41290\n", ['target' => 'control'])->assertOk();
        $findings = $this->preview(
            $project, $this->upload($project, "Name,N,E\nA,41200,78600\nB,41250,78650\nX,41222,78633\n", 'x.csv'),
        )['findings'];
        self::assertTrue($findings[0]['exchange']);
        self::assertStringContainsString('2 points have names that the project knows', $findings[0]['says']);
    }

    public function test_a_file_of_the_same_shape_is_read_as_the_last_one_was(): void
    {
        $project = $this->project();
        $upload = $this->upload($project, "No;Y;X;Crew\n1;100.5;200.5;K\n2;101;201;L\n", 'a.txt');
        $first = $this->preview($project, $upload);
        self::assertFalse($first['remembered']);
        $layout = ['unit' => 'ft', 'columns' => ['name', 'easting', 'northing', 'attribute']] + $first['layout'];
        $this->take($project, $upload, $layout)->assertOk();
        $second = $this->preview($project, $this->upload($project, "No;Y;X;Crew\n7;300.5;400.5;K\n8;301;401;L\n", 'b.txt'));
        self::assertSame(
            [true, 'ft', ['name', 'easting', 'northing', 'attribute']],
            [$second['remembered'], $second['layout']['unit'], $second['layout']['columns']],
        );
        self::assertSame(['Crew' => 'K'], StakeoutPoint::of($project)->where('name', '1')->firstOrFail()->getAttribute('attributes'));
    }

    public function test_degrees_are_asked_about(): void
    {
        $project = $this->project();
        $degrees = "ID,Lat,Lon\nA,51.5,-0.1\nB,51.6,-0.2\n";
        self::assertTrue($this->preview($project, $this->upload($project, $degrees, 'gnss.csv'))['looksLikeDegrees']);
        $this->import($project, $degrees)->assertStatus(409)->assertJsonPath('reason', 'degrees');
        $this->import($project, $degrees, ['notDegrees' => true])->assertOk();
        $project = $this->project();
        $json = '{"type":"FeatureCollection","features":[{"type":"Feature","geometry":{"type":"Point","coordinates":[9.18231,48.77712]},"properties":{"name":"A"}}]}';
        self::assertSame('degrees', $this->import($project, $json, [], 'a.geojson')->assertStatus(409)->json('reason'));
        $this->import($project, $json, ['notDegrees' => true], 'a.geojson')->assertOk();
        self::assertSame(
            [9.18231, 'a.geojson, feature 1'],
            [StakeoutPoint::of($project)->firstOrFail()->easting, $this->ask('GET', "/projects/{$project->id}/points")->json('0.made')],
        );
    }

    public function test_a_reissued_control_file_shows_what_moved_and_which_setups_stand_on_it(): void
    {
        $project = $this->project();
        $this->site($project);
        $this->setUpInstrument($project);
        $upload = $this->upload(
            $project, "Name,N,E,Z\nA,1000.003,2000.004,10\nB,1060,2015,11\nC,1030,2090,9.5\nD,962,2071,10.45\nE,1,2,3\n", 'reissue.csv',
        );
        $comparison = $this->preview($project, $upload, 'control')['comparison'];
        self::assertSame(
            [['A', 'D'], ['E'], [], 2],
            [array_column($comparison['moved'], 'name'), $comparison['new'], $comparison['gone'], $comparison['same']],
        );
        self::assertEqualsWithDelta(0.005, $comparison['moved'][0]['plan'], 1e-9);
        self::assertStringContainsString('setup 1', $comparison['moved'][0]['uses']);
        self::assertSame('', $comparison['moved'][1]['uses']);
        self::assertSame(1000.0, ControlPoint::of($project)->where('name', 'A')->firstOrFail()->northing, 'nothing changes until told');
        $this->import($project, "Name,N,E\nF,7,8\n", ['target' => 'control', 'heldFixed' => false, 'planDeviation' => 0.003])->assertOk();
        $f = collect($this->ask('GET', "/projects/{$project->id}/control")->json())->firstWhere('name', 'F');
        self::assertSame([false, 0.003, null], [$f['heldFixed'], $f['planDeviation'], $f['heightDeviation']]);
    }

    public function test_a_list_of_points_issued_again_says_what_moved_is_recoded_new_gone_and_staked_already(): void
    {
        $project = $this->withPoints([['P1', 1000, 2000], ['P2', 1010, 2000], ['P3', 1020, 2000], ['TWICE', 1, 1], ['TWICE', 2, 2]]);
        $this->site($project);
        $this->setUpInstrument($project);
        $seen = $this->measure($project, 'stake', new Position(1000.0, 2000.0, 10.0), 'P1');
        [$p1] = $this->ids($project, ['P1']);
        $this->ask('POST', "/projects/{$project->id}/marks", [
            'key' => $this->newKey(), 'kind' => 'stake', 'observationId' => $seen->id, 'pointId' => $p1, 'withoutCheck' => true, 'evenOut' => true,
        ])->assertOk();
        $upload = $this->upload($project, "Name,N,E,Code\nP1,1000.03,2000.04,\nP2,1010,2000,KERB\nP4,1,2,\nTWICE,9,9,\n", 'again.csv');
        $told = $this->preview($project, $upload)['comparison'];
        self::assertEqualsWithDelta(['P1', 0.05, 0.03, 0.04, 'staked already'], [
            $told['moved'][0]['name'], $told['moved'][0]['plan'], $told['moved'][0]['dNorthing'], $told['moved'][0]['dEasting'], $told['moved'][0]['uses'],
        ], 1e-9);
        self::assertSame([['name' => 'P2', 'was' => '', 'becomes' => 'KERB']], $told['recoded']);
        // A name that two points have says not which of them is meant: it is held against neither.
        self::assertSame([['P4'], ['P3'], 1], [$told['new'], $told['gone'], $told['same']]);
        self::assertSame(1000.0, StakeoutPoint::of($project)->where('name', 'P1')->firstOrFail()->northing, 'nothing moves until told');
    }

    public function test_points_go_out_in_four_forms(): void
    {
        $project = $this->project();
        $this->import($project, "Name,N,E,Z,Code\n=1+1,1,2,3,X\n\"Ü <b>\",4,5,,Y\n")->assertOk();
        $get = fn (string $query): string => $this
            ->get("/api/v1/projects/{$project->id}/points-file?what=points&$query")
            ->assertOk()
            ->streamedContent();
        self::assertStringContainsString("'=1+1,1.00000,2.00000", $get('format=csv'));
        self::assertStringContainsString(
            "2000,00;1000,00;3000,00;'=1+1",
            $get('format=csv&unit=mm&separator=;&decimalMark=,&columns=easting,northing,elevation,name'),
        );
        self::assertStringContainsString('<CgPoint name="Ü &lt;b&gt;" code="Y">4.00000 5.00000</CgPoint>', $get('format=landxml'));
        self::assertSame([2.0, 1.0, 3.0], json_decode($get('format=geojson'), true)['features'][0]['geometry']['coordinates']);
        self::assertStringContainsString("\\U+00DC <b>\n", $get('format=dxf'));
        $this->ask('GET', "/projects/{$project->id}/points-file?format=csv&what=secrets")->assertStatus(422);
        $this->ask('GET', "/projects/{$project->id}/points-file?format=xls&what=points")->assertStatus(422);
    }

    public function test_a_label_stands_where_it_was_put(): void
    {
        $project = $this->project();
        $this->import($project, "Name,N,E\nA,1,2\n")->assertOk();
        $id = StakeoutPoint::of($project)->firstOrFail()->id;
        $this->ask('PUT', "/projects/{$project->id}/points/$id/label", ['north' => 2.5, 'east' => -1.0])->assertNoContent();
        self::assertEquals([2.5, -1], [
            $this->ask('GET', "/projects/{$project->id}/points")->json('0.labelNorth'),
            $this->ask('GET', "/projects/{$project->id}/points")->json('0.labelEast'),
        ]);
    }
}
