<?php

declare(strict_types=1);

namespace Tests\Feature\Civil;

use App\Civil\Models\CivilSurface;
use App\Control\Models\ControlPoint;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Stakeout\Models\Mark;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Parlay\Core\Civil\Surfaces\Delaunay;
use Parlay\Core\Civil\Surfaces\SurfaceIndex;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Tests\Reference;
use Tests\FeatureTestCase;

/** Civil models from the file to the mark: taken, shown, staked, measured. The road runs north from 1000, 2000; the yard lies beside it. */
final class CivilTest extends FeatureTestCase
{
    private Project $project;

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        $this->site($this->project);
    }

    private static function model(): string
    {
        $tin = static fn (string $name, float $north, float $z): string => "<Surface name=\"$name\"><Definition surfType=\"TIN\"><Pnts><P id=\"1\">$north 2000 $z</P>"
            .'<P id="2">'.($north + 60)." 2000 $z</P><P id=\"3\">".($north + 60).' 2050 '.($z + 1)."</P><P id=\"4\">$north 2050 ".($z + 1).'</P></Pnts><Faces><F>1 2 3</F><F>1 3 4</F></Faces></Definition></Surface>';

        return '<?xml version="1.0"?><LandXML xmlns="http://www.landxml.org/schema/LandXML-1.2" version="1.2"><Units><Metric linearUnit="meter"/></Units>'
            .'<CgPoints><CgPoint name="A" code="MH">1000 2000 10</CgPoint></CgPoints>'
            .'<Alignments><Alignment name="Road" staStart="500"><CoordGeom><Line><Start>1000 2000</Start><End>1060 2000</End></Line>'
            .'<Curve rot="cw" radius="40"><Start>1060 2000</Start><End>1100 2040</End></Curve></CoordGeom>'
            .'<Profile><ProfAlign name="finished"><PVI>500 10</PVI><PVI>622.8319 12.456637</PVI></ProfAlign></Profile></Alignment></Alignments>'
            .'<PlanFeatures><PlanFeature name="kerb" code="KERB"><CoordGeom><Line><Start>1000 2003</Start><End>1060 2003</End></Line></CoordGeom></PlanFeature></PlanFeatures>'
            .'<Surfaces>'.$tin('Phase 1', 1000, 10.0).$tin('Phase 2', 1040, 10.5).$tin('Existing ground', 990, 9.0).'</Surfaces></LandXML>';
    }

    private function at(string $path): string
    {
        return "/projects/{$this->project->id}$path";
    }

    private function task(string $path, array $body): TestResponse
    {
        $id = $this->ask('POST', $this->at($path), $body)->assertOk()->json('id');

        return $this->ask('GET', $this->at("/tasks/$id"));
    }

    private function take(array $body = []): TestResponse
    {
        return $this->task('/models', $body + [
            'upload' => $this->upload($this->project, self::model(), 'site.xml'), 'name' => 'Site', 'unit' => 'm', 'exchanged' => false,
            'alignments' => [0], 'surfaces' => [0, 1, 2], 'lines' => true,
        ]);
    }

    /** @return array<string, mixed> */
    private function aim(array $civil): array
    {
        return $this->ask('POST', $this->at('/aims'), ['key' => $this->newKey(), 'civil' => $civil])->assertOk()->json();
    }

    /** @param  array<string, mixed>  $aim */
    private function staked(array $aim, Position $at, string $kind = 'stake', string $name = ''): Mark
    {
        $reading = $this->measure($this->project, $kind, $at, $name === '' ? $aim['name'] : $name);
        $id = $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => $kind, 'observationId' => $reading->id, 'aimId' => $aim['id'], 'aimVersion' => $aim['version'],
            'name' => $name, 'evenOut' => true, 'withoutCheck' => true,
        ])->assertOk()->json('id');

        return Mark::query()->findOrFail($id);
    }

    public function test_a_file_says_what_it_holds_and_what_was_chosen_is_taken(): void
    {
        $upload = $this->upload($this->project, self::model(), 'site.xml');
        $i = $this->task('/model-inspection', ['upload' => $upload])->assertJson(['state' => 'done'])->json('result');
        self::assertSame(['m', '1.2', 1, 1], [$i['declaredUnit'], $i['version'], $i['points'], $i['features']]);
        self::assertSame(['Road', 2, ['finished']], [$i['alignments'][0]['name'], $i['alignments'][0]['elements'], $i['alignments'][0]['profiles']]);
        self::assertEqualsWithDelta([500.0, 60 + 20 * M_PI], [$i['alignments'][0]['from'], $i['alignments'][0]['length']], 1e-6);
        self::assertSame([2, 4], [$i['surfaces'][1]['triangles'], $i['surfaces'][1]['points']]);
        self::assertSame(0, DB::table('surfaces')->count(), 'nothing is stored by looking');

        $this->take(['surfaces' => [0, 2]])->assertJson(['state' => 'done', 'result' => ['alignments' => 1, 'surfaces' => 2, 'lines' => 1]]);
        $surfaces = $this->ask('GET', $this->at('/surfaces'))->json();
        self::assertSame([['Phase 1', 'design', true], ['Existing ground', 'ground', false]], array_map(static fn (array $s) => [$s['name'], $s['kind'], $s['active']], $surfaces));
        self::assertSame('KERB', DB::table('design_layers')->value('name'));
        // Undone it is gone, done again it is back.
        $this->ask('POST', $this->at('/undo'))->assertOk();
        self::assertSame([[], []], [$this->ask('GET', $this->at('/surfaces'))->json(), $this->ask('GET', $this->at('/alignments'))->json()]);
        $this->ask('POST', $this->at('/redo'))->assertOk();
        self::assertCount(2, $this->ask('GET', $this->at('/surfaces'))->json());
    }

    public function test_coordinates_written_the_other_way_round_are_told_by_the_control(): void
    {
        $control = ControlPoint::of($this->project)->firstOrFail();
        $xml = '<LandXML version="1.2"><Units><Metric linearUnit="meter"/></Units><CgPoints><CgPoint name="'.$control->name."\">{$control->easting} {$control->northing}</CgPoint></CgPoints>"
            .'<Alignments><Alignment name="R"><CoordGeom><Line><Start>2000 1000</Start><End>2000 1050</End></Line></CoordGeom></Alignment></Alignments></LandXML>';
        $fits = $this->task('/model-inspection', ['upload' => $this->upload($this->project, $xml, 'x.xml')])->json('result.fits');
        self::assertSame(['m', true, 1], [$fits[0]['unit'], $fits[0]['exchanged'], $fits[0]['same']]);
    }

    public function test_a_damaged_file_is_refused_with_its_line_and_nothing_is_stored(): void
    {
        $upload = $this->upload($this->project, substr(self::model(), 0, -200), 'cut.xml');
        foreach (['/model-inspection' => ['upload' => $upload], '/models' => ['upload' => $upload, 'name' => '', 'unit' => 'm', 'exchanged' => false, 'alignments' => [0], 'surfaces' => [0], 'lines' => true]] as $path => $body) {
            $task = $this->task($path, $body);
            self::assertMatchesRegularExpression('~Line 1: the file is no whole XML~', (string) $task->json('error'));
        }
        self::assertSame([0, 0, 0], [DB::table('surfaces')->count(), DB::table('alignments')->count(), DB::table('surface_tiles')->count()]);
    }

    public function test_a_mark_on_an_alignment_keeps_station_offset_and_where_its_height_came_from(): void
    {
        $this->take();
        $this->setUpInstrument($this->project);
        $road = $this->ask('GET', $this->at('/alignments'))->json(0);
        $aim = $this->aim(['alignmentId' => $road['id']]);
        self::assertSame(['alignment', 'Road', 'A', 0], [$aim['kind'], $aim['name'], $aim['series'], $aim['civil']['profile']]);
        $mark = $this->staked($aim, new Position(1030.0, 2000.004, 10.6));
        self::assertSame(['A1', 'in'], [$mark->name, $mark->verdict]);
        $aimed = $mark->aimed();
        self::assertEqualsWithDelta([530.0, 0.004, 30.0], [$aimed?->station, $aimed?->axisOffset, $aimed?->along], 1e-3);
        self::assertEqualsWithDelta(10.6, $mark->design_elevation, 1e-3);
        self::assertStringContainsString('profile finished', $mark->design_source);
        // Only its grade, 0.3 m below, two metres beside it.
        $grade = $this->ask('PATCH', $this->at("/aims/{$aim['id']}"), ['version' => 1, 'civil' => ['grade' => true, 'verticalOffset' => -0.3] + $aim['civil']])->assertOk()->json();
        self::assertSame('Road, grade, 0.300 m below', $grade['name']);
        $mark = $this->staked($grade, new Position(1030.0, 2002.0, 10.35));
        // Cut and fill to a grade are wanted to be known: 50 mm to cut are told, and are no fault.
        self::assertSame(['height', 'undecided'], [$mark->judged->value, $mark->verdict]);
        self::assertEqualsWithDelta(0.05, $mark->deviation()?->height, 5e-3);
        self::assertEqualsWithDelta([10.3, 2.0], [$mark->design_elevation, $mark->aimed()?->axisOffset], 5e-3);
        // As it was left: chosen again it is the same target.
        self::assertSame($aim['id'], $this->aim(['alignmentId' => $road['id']])['id']);
        // A place of it by station and offset, with its own name.
        $place = $this->ask('POST', $this->at("/aims/{$aim['id']}/places"), ['key' => $this->newKey(), 'version' => 2, 'way' => 'at', 'distance' => 60.0, 'offset' => -4.0])->assertOk()->json(0);
        self::assertSame('Road PC 4.000 m left', $place['name']);
        self::assertEqualsWithDelta([1060.0, 1996.0, 10.9], [$place['place']['northing'], $place['place']['easting'], $place['place']['elevation']], 1e-6);
        $csv = (string) $this->get('/api/v1'.$this->at('/report.csv'))->assertOk()->streamedContent();
        self::assertStringContainsString('0+530.000', $csv);
    }

    /** A setup that is mended moves its marks: station and offset go along, of a line as of a grade. */
    public function test_a_mended_mark_has_the_station_and_offset_of_where_it_lies_now(): void
    {
        $this->take();
        $this->setUpInstrument($this->project);
        $road = $this->ask('GET', $this->at('/alignments'))->json(0);
        $aim = $this->aim(['alignmentId' => $road['id']]);
        foreach ([false, true] as $grade) {
            $aim = $this->ask('PATCH', $this->at("/aims/{$aim['id']}"), ['version' => $aim['version'], 'civil' => ['grade' => $grade] + $aim['civil']])->assertOk()->json();
            $mark = $this->staked($aim, new Position(1030.0, 2001.0, 10.6));
            $was = $mark->aimed() ?? throw new \LogicException('It was staked to something.');
            $now = $was->moved($mark->design(), new Position($mark->northing + 0.25, $mark->easting + 0.1, $mark->elevation));
            self::assertEqualsWithDelta([0.25, 0.25, 0.1], [$now->along - $was->along, $now->station - $was->station, $now->axisOffset - $was->axisOffset], 1e-6, $grade ? 'grade' : 'line');
        }
    }

    public function test_a_surface_is_graded_to_and_another_phase_that_has_the_place_is_told(): void
    {
        $this->take();
        $this->setUpInstrument($this->project);
        [$one, $two] = array_column($this->ask('GET', $this->at('/surfaces'))->json(), 'id');
        $aim = $this->aim(['surfaceId' => $one]);
        $mark = $this->staked($aim, new Position(1050.0, 2025.0, 10.503));
        self::assertSame(['GR1', 'height', 'undecided', 'Phase 1'], [$mark->name, $mark->judged->value, $mark->verdict, $mark->aimed()?->surface]);
        self::assertEqualsWithDelta(10.5, $mark->design_elevation, 1e-4);
        $here = $this->ask('POST', $this->at('/ground-here'), ['northing' => 1050.0, 'easting' => 2025.0])->json('surfaces');
        self::assertSame(['Phase 1', 'Phase 2', 'Existing ground'], array_column($here, 'name'));
        self::assertEqualsWithDelta([10.5, 11.0], [$here[0]['elevation'], $here[1]['elevation']], 1e-9);
        // Where the surface says within how much its grade is judged, it is judged by that, and asked about; 77 mm of cut are stored without a question before.
        $cut = $this->measure($this->project, 'stake', new Position(1050.0, 2025.0, 10.577), $aim['name']);
        $store = fn (string $key): TestResponse => $this->ask('POST', $this->at('/marks'), [
            'key' => $key, 'kind' => 'stake', 'observationId' => $cut->id, 'aimId' => $aim['id'], 'aimVersion' => $aim['version'], 'withoutCheck' => true,
        ]);
        self::assertSame('undecided', $store($this->newKey())->assertOk()->json('verdict'));
        $csv = (string) $this->get('/api/v1'.$this->at('/report.csv'))->assertOk()->streamedContent();
        self::assertStringNotContainsString(',out,', $csv);
        $this->ask('PATCH', $this->at("/surfaces/$one"), ['tolerance' => 0.02])->assertSuccessful();
        self::assertSame('out_of_tolerance', $store($this->newKey())->assertStatus(409)->json('reason'));
        $this->ask('PATCH', $this->at("/surfaces/$one"), ['tolerance' => 0.1])->assertSuccessful();
        self::assertSame('in', $store($this->newKey())->assertOk()->json('verdict'));
        // Where it does not reach there is no design, and nothing is judged.
        $mark = $this->staked($aim, new Position(1080.0, 2025.0, 11.0));
        self::assertSame([null, 'undecided'], [$mark->design_elevation, $mark->verdict]);
        self::assertNotSame($one, $two);
    }

    public function test_points_along_an_alignment_are_looked_at_before_they_are_made(): void
    {
        $this->take();
        $id = $this->ask('GET', $this->at('/alignments'))->json('0.id');
        $wanted = ['interval' => 50.0, 'main' => true, 'offsets' => [-3.5, 0.0], 'rows' => '', 'positiveRight' => true, 'heights' => 'road', 'profile' => 0, 'prefix' => 'R '];
        $points = $this->ask('POST', $this->at("/alignments/$id/compute-points"), $wanted)->assertOk()->json();
        self::assertSame(
            ['R BP L3.500 m', 'R BP', 'R 0+550.000 L3.500 m', 'R 0+550.000', 'R PC L3.500 m', 'R PC', 'R 0+600.000 L3.500 m', 'R 0+600.000', 'R EP L3.500 m', 'R EP'],
            array_column($points, 'name'),
        );
        self::assertEqualsWithDelta([1050.0, 1996.5, 11.0], [$points[2]['northing'], $points[2]['easting'], $points[2]['elevation']], 1e-6);
        $this->ask('POST', $this->at("/alignments/$id/points"), $wanted)->assertOk()->assertJson(['count' => 10]);
        self::assertSame(10, StakeoutPoint::of($this->project)->where('origin', 'computed')->count());
        self::assertSame('Road 0+550.000, 3.500 m left', StakeoutPoint::of($this->project)->where('name', 'R 0+550.000 L3.500 m')->firstOrFail()->recipe['description']);

        // A pasted list: what can't be read is said with its line, and nothing is made.
        $rows = ['rows' => "Station\tOffset\tName\n0+510\t-2\tK1\n520\t2 L\tK2\n9+999\t0\tK3\nabc\t1", 'positiveRight' => false] + $wanted;
        $points = $this->ask('POST', $this->at("/alignments/$id/compute-points"), $rows)->assertOk()->json();
        self::assertEqualsWithDelta([2.0, -2.0], array_column(array_slice($points, 0, 2), 'offset'), 1e-12);
        self::assertMatchesRegularExpression('~Line 4: .*off the alignment~', $points[2]['fault']);
        self::assertMatchesRegularExpression('~Line 5: “abc” is no station~', $points[3]['fault']);
        $this->ask('POST', $this->at("/alignments/$id/points"), $rows)->assertStatus(422);
        self::assertSame(10, StakeoutPoint::of($this->project)->where('origin', 'computed')->count());
    }

    public function test_an_alignment_is_made_here_with_a_profile_and_a_template_and_its_slope_stakes(): void
    {
        $this->take();
        $corner = static fn (float $n, float $e, float $r = 0.0): array => ['northing' => $n, 'easting' => $e, 'radius' => $r, 'spiralIn' => 0.0, 'spiralOut' => 0.0];
        $made = $this->ask('POST', $this->at('/alignments'), ['name' => 'Track', 'given' => ['corners' => [$corner(1005, 2010), $corner(1045, 2010, 10), $corner(1045, 2040)]]])->assertOk()->json();
        self::assertSame(3, count($made['elements']));
        $this->ask('POST', $this->at('/compute-alignment'), ['corners' => [$corner(0, 0), $corner(5, 0, 50), $corner(5, 90)]])->assertStatus(422)->assertSee('no room');
        $this->ask('PUT', $this->at("/alignments/{$made['id']}/heights"), ['seen' => 1, 'name' => 'p', 'vertices' => [['along' => 0, 'elevation' => 12], ['along' => 65, 'elevation' => 12]]])->assertOk();
        $template = ['left' => [['name' => 'lane', 'width' => 2.0, 'crossfall' => -0.02]], 'right' => [['name' => 'lane', 'width' => 2.0, 'crossfall' => -0.02]], 'cutSlope' => 0.5, 'fillSlope' => 0.5];
        $this->ask('PUT', $this->at("/alignments/{$made['id']}/heights"), ['seen' => 1, 'name' => 't', 'template' => $template])->assertStatus(422)->assertSee('changed elsewhere');
        $this->ask('PUT', $this->at("/alignments/{$made['id']}/heights"), ['seen' => 2, 'name' => 't', 'template' => $template])->assertOk();
        $ground = CivilSurface::query()->where('name', 'Existing ground')->firstOrFail();
        $stakes = $this->ask('POST', $this->at("/alignments/{$made['id']}/compute-slope-stakes"), ['interval' => 20.0, 'profile' => 0, 'template' => 0, 'groundId' => $ground->id, 'left' => false])->assertOk()->json();
        // Ground 9 + (e - 2000)/50; hinge 11.96 at e = 2012; fall 1 in 2: out = (11.96 - 9.24) / (0.5 + 0.02).
        self::assertEqualsWithDelta(2.0 + 2.72 / 0.52, $stakes[0]['offset'], 1e-9);
        self::assertSame('fill', $stakes[0]['code']);
        // What came in a file stays what its designer made.
        $road = $this->ask('GET', $this->at('/alignments'))->json('0.id');
        $this->ask('PUT', $this->at("/alignments/$road"), ['name' => 'X', 'given' => ['corners' => [$corner(0, 0), $corner(9, 9)]], 'seen' => 1])->assertStatus(422);
    }

    public function test_a_surface_is_made_of_points_edited_and_gives_elevations(): void
    {
        foreach ([[1000, 2000, 5], [1020, 2000, 5], [1020, 2020, 7], [1000, 2020, 7], [1010, 2010, 6]] as $i => [$n, $e, $z]) {
            $this->ask('POST', $this->at('/points'), ['name' => "Q$i", 'northing' => $n, 'easting' => $e, 'elevation' => $z])->assertOk();
        }
        $flat = $this->ask('POST', $this->at('/points'), ['name' => 'F', 'northing' => 1004, 'easting' => 2010])->assertOk()->json('id');
        $ids = StakeoutPoint::of($this->project)->where('name', 'like', 'Q%')->pluck('id')->all();
        $made = $this->ask('POST', $this->at('/surfaces'), ['name' => 'Pad', 'kind' => 'design', 'pointIds' => $ids])->assertOk()->json();
        self::assertSame([4, true, true], [$made['triangles'], $made['active'], $made['made']]);
        $this->ask('POST', $this->at('/surface-elevations'), ['ids' => [$flat], 'surfaceId' => $made['id'], 'verticalOffset' => -0.25])->assertOk()->assertJson(['count' => 1]);
        self::assertEqualsWithDelta(5.75, StakeoutPoint::of($this->project)->findOrFail($flat)->elevation, 1e-9);
        $edited = $this->ask('POST', $this->at("/surfaces/{$made['id']}/edits"), ['seen' => 1, 'deed' => 'remove', 'northing' => 1018, 'easting' => 2010])->assertOk()->json();
        self::assertSame([3, 2], [$edited['triangles'], $edited['version']]);
        $this->ask('POST', $this->at("/surfaces/{$made['id']}/edits"), ['seen' => 1, 'deed' => 'remove', 'northing' => 1002, 'easting' => 2010])->assertStatus(422)->assertSee('changed elsewhere');
        self::assertSame(4, $this->ask('POST', $this->at("/surfaces/{$made['id']}/edits"), ['seen' => 2, 'deed' => 'take_back'])->assertOk()->json('triangles'));
    }

    /** Two edits begun on one version, the other stored while this one is still worked out: one of both is refused, and none is lost. */
    public function test_of_two_edits_at_once_the_later_is_told(): void
    {
        $ids = [];
        foreach ([[0, 0], [0, 20], [20, 20], [20, 0], [10, 9]] as $i => [$n, $e]) {
            $ids[] = $this->ask('POST', $this->at('/points'), ['name' => "G$i", 'northing' => 1000 + $n, 'easting' => 2000 + $e, 'elevation' => 10])->assertOk()->json('id');
        }
        $made = $this->ask('POST', $this->at('/surfaces'), ['name' => 'mine', 'kind' => 'design', 'pointIds' => $ids])->assertOk()->json();
        $road = $this->ask('POST', $this->at('/alignments'), ['name' => 'R', 'given' => ['corners' => [['northing' => 1000, 'easting' => 2000], ['northing' => 1060, 'easting' => 2000]]]])->assertOk()->json();
        $other = static function (string $table, int $id): void {
            DB::listen(static function (QueryExecuted $q) use ($table, $id, &$done): void {
                if ($done === null && str_contains($q->sql, "from \"$table\"")) {
                    $done = true;
                    DB::table($table)->where('id', $id)->increment('version');
                }
            });
        };
        $other('surfaces', $made['id']);
        $this->ask('POST', $this->at("/surfaces/{$made['id']}/edits"), ['seen' => 1, 'deed' => 'remove', 'northing' => 1018, 'easting' => 2010])->assertStatus(422)->assertSee('changed elsewhere');
        $other('alignments', $road['id']);
        $this->ask('PUT', $this->at("/alignments/{$road['id']}/heights"), ['seen' => 1, 'name' => 'p', 'vertices' => [['along' => 0, 'elevation' => 12], ['along' => 60, 'elevation' => 12]]])
            ->assertStatus(422)->assertSee('changed elsewhere');
    }

    public function test_what_is_built_grows_by_its_own_shots_and_is_left_with_its_volume(): void
    {
        $this->take();
        $this->setUpInstrument($this->project);
        $design = (int) $this->ask('GET', $this->at('/surfaces'))->json('0.id');
        $aim = $this->aim(['surfaceId' => $design]);
        $this->staked($aim, new Position(1001.0, 2001.0, 10.5), 'as_built');
        $body = ['key' => $this->newKey(), 'name' => 'Built', 'againstId' => $design];
        $build = $this->ask('POST', $this->at('/builds'), $body)->assertOk()->json('id');
        self::assertSame($build, $this->ask('POST', $this->at('/builds'), $body)->assertOk()->json('id'));
        $this->ask('POST', $this->at('/builds'), ['key' => $this->newKey(), 'name' => 'Other'])->assertStatus(422)->assertSee('still growing');
        // 0.1 m above the design on a square of ten metres.
        foreach ([[1010, 2010], [1020, 2010], [1020, 2020], [1010, 2020]] as [$n, $e]) {
            $this->staked($aim, new Position($n, $e, 10 + ($e - 2000) / 50 + 0.1), 'as_built');
        }
        $this->staked($aim, new Position(1070.0, 2010.0, 10.0), 'as_built');
        $grown = $this->ask('GET', $this->at('/builds'))->json(0);
        self::assertSame([5, 1], [$grown['shots'], $grown['outside']]);
        self::assertEqualsWithDelta([1000, 1000, 1000, 1000], array_slice($grown['off'], 0, 4), 10);
        // Grown shot by shot, it is the triangulation of all of them; and again where it is made anew.
        $places = array_chunk($grown['places'], 2);
        $whole = Delaunay::of(array_map(static fn (array $p) => $p[1] / 1e4, $places), array_map(static fn (array $p) => $p[0] / 1e4, $places));
        $sorted = static function (array $corners): array {
            $triangles = array_chunk($corners, 3);
            array_walk($triangles, static fn (array &$t) => sort($t));
            sort($triangles);

            return $triangles;
        };
        self::assertSame($sorted(array_values($whole->corner)), $sorted($grown['triangles']));
        DB::table('surface_builds')->update(['grown' => null]);
        self::assertSame($sorted($grown['triangles']), $sorted($this->ask('GET', $this->at('/builds'))->json('0.triangles')));
        $left = $this->ask('POST', $this->at("/builds/$build/leaving"))->assertOk()->json();
        self::assertSame([5, 1], [$left['shots'], $left['outside']]);
        self::assertGreaterThan(10.0, $left['volume']['cut']);
        // Five shots of a few millimetres over that area, and what the setup's height shares; they tell nothing of the ground between them.
        $u = $left['uncertain'];
        self::assertNull($u['ground']);
        self::assertEqualsWithDelta(hypot($u['shots'], $u['setup']), $u['all'], 1e-9);
        self::assertGreaterThan(0.0001 * $left['volume']['area'], $u['setup']);
        self::assertLessThan(0.02 * $left['volume']['area'], $u['all']);
        self::assertSame('as_built', CivilSurface::query()->findOrFail($left['surfaceId'])->kind->value);
        self::assertSame([], $this->ask('GET', $this->at('/builds'))->json());
        // Left twice it is the same surface.
        self::assertSame($left['surfaceId'], $this->ask('POST', $this->at("/builds/$build/leaving"))->assertOk()->json('surfaceId'));
    }

    public function test_fewer_than_three_shots_are_no_surface_and_say_so(): void
    {
        $build = $this->ask('POST', $this->at('/builds'), ['key' => $this->newKey(), 'name' => 'Built'])->assertOk()->json('id');
        $left = $this->ask('POST', $this->at("/builds/$build/leaving"))->assertOk()->json();
        self::assertNull($left['surfaceId']);
        self::assertStringContainsString('three shots or more', $left['why']);
    }

    public function test_volumes_between_surfaces_against_a_height_and_between_stations(): void
    {
        $this->take();
        [$one, , $ground] = array_column($this->ask('GET', $this->at('/surfaces'))->json(), 'id');
        // Phase 1 lies a metre above the ground wherever both are: 50 m by 50 m.
        $v = $this->task('/volumes', ['firstId' => $ground, 'secondId' => $one])->assertJson(['state' => 'done'])->json('result');
        self::assertEqualsWithDelta([0.0, 2500.0, 2500.0, 1.0], [$v['cut'], $v['fill'], $v['area'], $v['deepestFill']], 1e-6);
        self::assertEqualsWithDelta(2500.0, $v['gridFill'], 15.0);
        $v = $this->task('/volumes', ['firstId' => $one, 'elevation' => 10.5])->json('result');
        self::assertEqualsWithDelta([0.0, 375.0], [$v['net'], $v['cut']], 1e-6);
        $road = $this->ask('GET', $this->at('/alignments'))->json('0.id');
        $v = $this->task('/volumes', ['firstId' => $ground, 'secondId' => $one, 'alignmentId' => $road, 'from' => 10.0, 'to' => 40.0, 'left' => 0.0, 'right' => 20.0, 'interval' => 10.0])->json('result');
        self::assertEqualsWithDelta([600.0, 600.0], [$v['fill'], $v['endAreaFill']], 1e-6);
        self::assertSame(['0+510.000', '0+520.000', '0+530.000', '0+540.000'], array_column($v['sections'], 'station'));
        $this->task('/volumes', ['firstId' => $one, 'secondId' => $one])->assertJson(['state' => 'failed']);
    }

    public function test_a_volume_is_printed_with_its_sections_and_its_picture(): void
    {
        $this->take();
        [$one, , $ground] = array_column($this->ask('GET', $this->at('/surfaces'))->json(), 'id');
        $road = $this->ask('GET', $this->at('/alignments'))->json('0.id');
        $wanted = ['firstId' => $ground, 'secondId' => $one, 'alignmentId' => $road, 'from' => 10.0, 'to' => 40.0, 'left' => 0.0, 'right' => 20.0, 'interval' => 10.0];
        $file = $this->task('/volume-sheets', ['volume' => $wanted, 'zone' => 'UTC'])->assertJson(['state' => 'done'])->json('result.file');
        file_put_contents($this->data.'/v.pdf', (string) $this->get($file)->assertOk()->streamedContent());
        $text = (string) shell_exec('pdftotext -layout '.escapeshellarg($this->data.'/v.pdf').' -');
        foreach (['Existing ground against Phase 1', '600.00 m³ fill', 'Over 600.0 m² in plan: 0.0 m² in cut', '0+530.000', '20.0 m²'] as $words) {
            self::assertStringContainsString($words, $text);
        }
        // Another height than any surface has: nothing to draw in bands, and no figure but nought.
        $level = ['firstId' => $ground, 'elevation' => 9.0];
        $this->task('/volume-sheets', ['volume' => $level])->assertJson(['state' => 'done']);
        $this->ask('POST', $this->at('/volume-sheets'), ['volume' => $wanted, 'zone' => 'Nowhere/At all'])->assertStatus(422);
    }

    /** A hill of 3DFACEs beside a polyface mesh, written by ezdxf: a plane of 12 m by 10 m and one of 10 m by 10 m. */
    public function test_faces_of_a_drawing_become_a_surface_as_they_are(): void
    {
        $dxf = Reference::python(<<<'PY'
            import ezdxf,io
            from ezdxf.render import MeshBuilder
            d=ezdxf.new('R2000'); d.header['$INSUNITS']=6; m=d.modelspace()
            z=lambda x,y: 10+0.1*x+0.02*y
            for x in range(0,12,4):
                c=[(x,0),(x+4,0),(x+4,10),(x,10)]
                m.add_3dface([(2000+a,1000+b,z(a,b)) for a,b in c],dxfattribs={'layer':'FACES'})
            b=MeshBuilder(); b.add_mesh(vertices=[(2012+a,1000+c,z(12+a,c)) for a,c in [(0,0),(10,0),(10,10),(0,10)]],faces=[(0,1,2),(0,2,3)])
            b.render_polyface(m,dxfattribs={'layer':'MESH'})
            s=io.StringIO(); d.write(s); print(json.dumps(s.getvalue()))
            PY, null);
        $upload = $this->upload($this->project, $dxf, 'faces.dxf');
        $design = $this->task('/designs', ['upload' => $upload, 'name' => 'Faces', 'unit' => 'm', 'layers' => ['FACES', 'MESH'], 'heights' => 'used'])->assertJson(['state' => 'done'])->json('result.designId');
        $layers = DB::table('design_layers')->where('design_id', $design)->pluck('id')->all();
        $id = $this->ask('POST', $this->at('/surfaces'), ['name' => 'Faces', 'kind' => 'design', 'layerIds' => $layers, 'faces' => true])->assertOk()->json('id');
        $surface = CivilSurface::query()->findOrFail($id)->surface();
        self::assertSame(8, $surface->count());
        self::assertEqualsWithDelta(220.0, $surface->planArea(), 1e-6);
        $on = (new SurfaceIndex($surface))->at(1003.0, 2015.0);
        self::assertEqualsWithDelta(10 + 1.5 + 0.06, $on?->elevation, 1e-6);
        // Without heights there is no ground at nought.
        $flat = $this->task('/designs', ['upload' => $this->upload($this->project, $dxf, 'flat.dxf'), 'name' => 'Flat', 'unit' => 'm', 'layers' => ['FACES'], 'heights' => 'dropped'])->json('result.designId');
        $this->ask('POST', $this->at('/surfaces'), ['name' => 'Flat', 'kind' => 'design', 'layerIds' => DB::table('design_layers')->where('design_id', $flat)->pluck('id')->all(), 'faces' => true])
            ->assertStatus(422)->assertSee('no heights here');
    }

    public function test_models_go_out_and_others_read_them(): void
    {
        $this->take();
        $this->ask('POST', $this->at('/points'), ['name' => 'Pünkt "1"', 'northing' => 1001, 'easting' => 2002, 'elevation' => 3, 'code' => 'MH'])->assertOk();
        $file = fn (string $format): string => (string) $this->get('/api/v1'.$this->at("/model-file?format=$format"))->assertOk()->streamedContent();
        // Taken in again it is the same: a file of ours is one like any other.
        $i = $this->task('/model-inspection', ['upload' => $this->upload($this->project, $file('landxml'), 'out.xml')])->json('result');
        self::assertSame([1, ['Road'], ['Phase 1', 'Phase 2', 'Existing ground'], []], [$i['points'], array_column($i['alignments'], 'name'), array_column($i['surfaces'], 'name'), $i['remarks']]);
        self::assertSame([[], ['finished']], [$i['alignments'][0]['remarks'], $i['alignments'][0]['profiles']]);
        $read = Reference::python(<<<'PY'
            import ezdxf,io
            d=ezdxf.read(io.StringIO(input))
            m=d.modelspace()
            f=[e for e in m if e.dxftype()=='3DFACE']
            p=[e for e in m if e.dxftype()=='POLYLINE']
            print(json.dumps([len(f),len(p),sorted({e.dxf.layer for e in f}),list(p[0].vertices[0].dxf.location),p[0].is_3d_polyline]))
            PY, $file('dxf'));
        self::assertSame([6, 1, ['SURFACE-EXISTING_GROUND', 'SURFACE-PHASE_1', 'SURFACE-PHASE_2'], [2000, 1000, 10], true], [$read[0], $read[1], $read[2], array_map(intval(...), $read[3]), $read[4]]);
        self::assertStringContainsString("Road,PC,0+560.000,1,1060.0000,2000.0000,11.2000,0.00000\n", $file('csv'));
    }

    public function test_a_surface_of_another_project_is_nobodys_here(): void
    {
        $this->take();
        $id = $this->ask('GET', $this->at('/surfaces'))->json('0.id');
        $alignment = $this->ask('GET', $this->at('/alignments'))->json('0.id');
        $other = $this->project();
        foreach ([['GET', "/surfaces/$id/tiles/1", []], ['POST', "/surfaces/$id/contours", ['interval' => 1]], ['DELETE', "/alignments/$alignment", []], ['GET', "/alignments/$alignment/surfaces", []],
            ['POST', '/aims', ['key' => $this->newKey(), 'civil' => ['surfaceId' => $id]]], ['PUT', '/civil', ['surfaceId' => $id, 'verticalOffset' => 0, 'interval' => 20, 'names' => []]]] as [$method, $path, $body]) {
            $this->ask($method, "/projects/{$other->id}$path", $body)->assertStatus(404);
        }
    }
}
