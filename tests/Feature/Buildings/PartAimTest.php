<?php

declare(strict_types=1);

namespace Tests\Feature\Buildings;

use App\Control\Models\GridLine;
use App\Projects\Models\Project;
use App\Stakeout\Models\Mark;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Tests\Formats\IfcText;
use Tests\Feature\Designs\TakesDrawings;
use Tests\FeatureTestCase;

/** Faces and axes of things as targets: distances square to them, flatness and plumb of what was built, and what a revision makes of them. */
final class PartAimTest extends FeatureTestCase
{
    use TakesDrawings;

    private Project $project;

    private int $design;

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        $this->site($this->project);
        $this->setUpInstrument($this->project);
        $this->design = $this->model(0.0, []);
    }

    /** A wall 6 long from E 2030 N 1020, 0.3 thick and 3 high from 10, and a column at E 2040 N 1030 of 0.4 by 0.4 and 5 high. */
    private function model(float $moved, array $more): int
    {
        $ifc = new IfcText('IFC4', 'IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.)');
        $wall = $ifc->extrusion($ifc->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$ifc->flat()},6.,0.3)"), 3);
        $at = fn (array $c): string => $ifc->add("IFCLOCALPLACEMENT({$ifc->storeyPlace},{$ifc->axes($c)})");
        $ifc->product('Wall W1', [$wall], $at([2033, 1020.15 + $moved, 10]));
        $ifc->product('Column K1', [$ifc->extrusion($ifc->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$ifc->flat()},0.4,0.4)"), 5)], $at([2040, 1030, 10]));

        return $this->take(
            $this->project, $this->upload($this->project, $ifc->text(), 'walls.ifc'),
            ['unit' => 'm', 'layers' => ['Ground · Building element proxy'], 'heights' => 'used', ...$more],
        );
    }

    /** @return array<string, mixed> what a touch finds there */
    private function touched(string $name, float $e, float $n, float $h): array
    {
        $packed = (string) file_get_contents($this->get("/api/v1/projects/{$this->project->id}/designs/{$this->design}/bodies")->baseResponse->getFile()->getPathname());
        $head = json_decode(substr($packed, 4, unpack('V', $packed)[1]), true);
        $number = array_column($head['things'], 0, 1)[$name];

        return $this->ask('GET', "/projects/{$this->project->id}/designs/{$this->design}/things/$number?easting=$e&northing=$n&elevation=$h")->assertOk()->json();
    }

    /**
     * @param  array<string, mixed>  $thing
     * @param  array<string, mixed>|null  $face
     * @return array<string, mixed>
     */
    private function target(array $thing, ?array $face): array
    {
        $part = ['designId' => $this->design, 'guid' => $thing['guid'], 'number' => $thing['number'], 'topology' => $thing['topology'], 'face' => $face];

        return $this->ask('POST', "/projects/{$this->project->id}/aims", ['key' => $this->newKey(), 'part' => $part])->assertOk()->json();
    }

    /** @param  array<string, mixed>  $aim */
    private function built(array $aim, Position $tip): Mark
    {
        $reading = $this->measure($this->project, 'as_built', $tip, $aim['name']);
        $id = $this->ask('POST', "/projects/{$this->project->id}/marks", [
            'key' => $this->newKey(), 'observationId' => $reading->id, 'kind' => 'as_built', 'aimId' => $aim['id'], 'aimVersion' => $aim['version'], 'withoutCheck' => true,
        ])->assertOk()->json('id');

        return Mark::query()->findOrFail($id);
    }

    public function test_shots_on_a_wall_say_how_far_before_it_how_flat_and_how_far_out_of_plumb(): void
    {
        $thing = $this->touched('Wall W1', 2032.0, 1020.0, 11.5);
        self::assertSame('south', $thing['face']['looks']);
        $aim = $this->target($thing, $thing['face']['face']);
        self::assertSame(['face', 'face that looks south of Wall W1', 'F'], [$aim['kind'], $aim['name'], $aim['series']]);
        // Below it stands 10 in front, above 30: it leans outward.
        $marks = [];
        foreach ([[2030.5, 10.3, 0.010], [2035.5, 10.3, 0.010], [2030.5, 12.8, 0.030], [2035.5, 12.8, 0.030], [2033.0, 11.5, 0.026]] as [$e, $h, $before]) {
            $marks[] = $this->built($aim, new Position(1020.0 - $before, $e, $h));
        }
        self::assertEqualsWithDelta(0.010, $marks[0]->deviation()?->plan, 0.004, 'as exactly as the stand-in measures');
        self::assertSame('plan', $marks[0]->judged->value);
        self::assertEqualsWithDelta(-($marks[0]->northing - 1020.0), $marks[0]->aimed()?->before, 1e-9, 'by hand: in front is to the south');
        [$part] = $this->ask('GET', "/projects/{$this->project->id}/built-parts")->assertOk()->json();
        self::assertSame(['face', 5, $thing['guid']], [$part['kind'], count($part['shots']), $part['thing']]);
        $before = array_map(static fn (Mark $m) => 1020.0 - $m->northing, $marks);
        self::assertEqualsWithDelta([min($before), max($before), array_sum($before) / 5], [$part['least'], $part['most'], $part['mean']], 1e-9);
        self::assertEqualsWithDelta(0.006, $part['bow'], 0.004, 'its middle bows out');
        self::assertGreaterThan(0.002, $part['bowByChance'], 'shots of a hand-held pole');
        self::assertLessThan(0.015, $part['bowByChance']);
        self::assertSame('outward, to the south', $part['leans'][0]['toward']);
        // Of a plane through all five: 20 mm over what lies between the lowest and the highest.
        self::assertEqualsWithDelta(0.020, $part['leans'][0]['metres'], 0.005);
        self::assertEqualsWithDelta(0.0, $part['turn'], 0.006, 'it is not turned in plan');
        self::assertLessThan(0.012, $part['uncertain']);
        self::assertEqualsWithDelta($part['height'] / abs($part['leans'][0]['metres']), $part['oneIn'], 1e-6);
        self::assertSame([null, null], [$part['plumbConforms'], $part['flatConforms']], 'nothing is asked for');
        $csv = (string) $this->get("/api/v1/projects/{$this->project->id}/report.csv")->assertOk()->streamedContent();
        self::assertStringContainsString('face that looks south of Wall W1', $csv);
        $this->project->update(['plumb_one_in' => 500.0, 'flat_tolerance' => 0.02]);
        [$part] = $this->ask('GET', "/projects/{$this->project->id}/built-parts")->json();
        self::assertSame(['outside', 'inside'], [$part['plumbConforms'], $part['flatConforms']], '20 mm over some four metres');
        $task = $this->ask('POST', "/projects/{$this->project->id}/reports", [])->assertOk()->json('id');
        $path = $this->get("/api/v1/projects/{$this->project->id}/reports/$task.pdf")->assertOk()->baseResponse->getFile()->getPathname();
        $text = (string) preg_replace('~\s+~', ' ', (string) shell_exec('pdftotext -raw '.escapeshellarg($path).' -'));
        self::assertStringContainsString('Faces and axes, from all shots on each', $text);
        self::assertStringContainsString('▲ plumb OUT', $text);
        self::assertStringContainsString('● flat in', $text);
        self::assertStringContainsString('outward, to the south', $text);
    }

    public function test_a_column_is_plumbed_by_two_shots_at_its_axis(): void
    {
        $thing = $this->touched('Column K1', 2040.0, 1030.2, 11.0);
        $aim = $this->target($thing, null);
        self::assertSame(['axis', 'axis of Column K1'], [$aim['kind'], $aim['name']]);
        $low = $this->built($aim, new Position(1030.0, 2040.0, 10.2));
        [$part] = $this->ask('GET', "/projects/{$this->project->id}/built-parts")->json();
        self::assertSame([], $part['leans'], 'one shot says nothing of it');
        $high = $this->built($aim, new Position(1030.020, 2040.015, 14.8));
        self::assertEqualsWithDelta(0.025, $high->deviation()?->plan, 0.004);
        [$part] = $this->ask('GET', "/projects/{$this->project->id}/built-parts")->json();
        self::assertSame(['to the north', 'to the east'], array_column($part['leans'], 'toward'));
        self::assertEqualsWithDelta([$high->northing - $low->northing, $high->easting - $low->easting], array_column($part['leans'], 'metres'), 1e-9);
        self::assertGreaterThan(0.0, min(array_column($part['leans'], 'metres')), 'whereto is said in words');
        self::assertNull($part['least']);
        foreach ([['A', 'letters', 1000.0, 2000.0, 1000.0, 2050.0], ['1', 'numbers', 1000.0, 2000.0, 1050.0, 2000.0]] as [$name, $family, $n1, $e1, $n2, $e2]) {
            GridLine::of($this->project)->create(['name' => $name, 'family' => $family, 'northing1' => $n1, 'easting1' => $e1, 'northing2' => $n2, 'easting2' => $e2, 'ring' => false]);
        }
        [$part] = $this->ask('GET', "/projects/{$this->project->id}/built-parts")->json();
        self::assertSame(['along A, to the east', 'along 1, to the north'], array_column($part['leans'], 'toward'));
        // The line drawn from its other end, it leans no other way.
        GridLine::of($this->project)->where('name', 'A')->update(['easting1' => 2050.0, 'easting2' => 2000.0]);
        [$turned] = $this->ask('GET', "/projects/{$this->project->id}/built-parts")->json();
        self::assertSame($part['leans'][0]['toward'], $turned['leans'][0]['toward']);
        self::assertEqualsWithDelta($part['leans'][0]['metres'], $turned['leans'][0]['metres'], 1e-12);
    }

    public function test_faces_axes_and_corners_are_measured_between(): void
    {
        $pick = fn (array $thing, array $more): array => ['part' => ['designId' => $this->design, 'guid' => $thing['guid'], 'number' => $thing['number'], 'topology' => $thing['topology']] + $more];
        $measured = fn (array $first, array $second): array => $this->ask('POST', "/projects/{$this->project->id}/space-measure", ['first' => $first, 'second' => $second])->assertOk()->json();
        $south = $this->touched('Wall W1', 2032.0, 1020.0, 11.5);
        $north = $this->touched('Wall W1', 2032.0, 1020.3, 11.5);
        $top = $this->touched('Wall W1', 2032.0, 1020.1, 13.0);
        $column = $this->touched('Column K1', 2040.0, 1029.8, 11.0);
        $faces = $measured($pick($south, ['face' => $south['face']['face']]), $pick($north, ['face' => $north['face']['face']]));
        self::assertEqualsWithDelta([0.3, null], [$faces['distance'], $faces['angle']], 1e-9, 'as thick as the wall');
        $meet = $measured($pick($south, ['face' => $south['face']['face']]), $pick($top, ['face' => $top['face']['face']]));
        self::assertEqualsWithDelta([null, M_PI_2], [$meet['distance'], $meet['angle']], 1e-9);
        self::assertEqualsWithDelta(9.7, $measured($pick($column, []), $pick($north, ['face' => $north['face']['face']]))['distance'], 1e-9, 'the axis of the column before the wall');
        $corner = static fn (array $thing): array => array_values(array_filter($thing['spots'], static fn (array $s) => $s['what'] === 'corner'))[0];
        $place = fn (array $thing): array => ['place' => ['element' => ['designId' => $this->design, 'guid' => $thing['guid'], 'number' => $thing['number'], 'spot' => $corner($thing)['spot']]]];
        $way = $measured($place($top), $place($column));
        self::assertEqualsWithDelta($corner($column)['easting'] - $corner($top)['easting'], $way['east'], 1e-9);
        self::assertStringContainsString('Corner of building element proxy “Wall W1”', $way['first']);
        $this->ask('POST', "/projects/{$this->project->id}/space-measure", ['first' => [], 'second' => []])->assertStatus(422);
    }

    public function test_a_revision_that_moved_the_wall_says_so_and_it_can_be_taken_anew(): void
    {
        $thing = $this->touched('Wall W1', 2032.0, 1020.0, 11.5);
        $aim = $this->target($thing, $thing['face']['face']);
        $this->built($aim, new Position(1019.99, 2032.0, 11.0));
        $this->model(0.05, ['revisesId' => $this->design, 'revision' => 'B']);
        $seen = array_column($this->ask('GET', "/projects/{$this->project->id}/aims")->json(), null, 'id')[$aim['id']];
        self::assertStringContainsString('by up to 0.050 m', $seen['changed']);
        $renewed = $this->ask('PATCH', "/projects/{$this->project->id}/aims/{$aim['id']}", ['version' => $aim['version'], 'renew' => true])->assertOk()->json();
        self::assertEqualsWithDelta(1020.05, $renewed['place']['northing'], 1e-9);
        self::assertSame('', array_column($this->ask('GET', "/projects/{$this->project->id}/aims")->json(), 'changed', 'id')[$aim['id']]);
        $this->built($renewed, new Position(1020.04, 2033.0, 12.0));
        $parts = $this->ask('GET', "/projects/{$this->project->id}/built-parts")->json();
        self::assertSame([1, 1], array_map(static fn (array $p) => count($p['shots']), $parts), 'each against the wall it was shot at');
    }
}
