<?php

declare(strict_types=1);

namespace Tests\Feature\Buildings;

use App\Projects\Models\Project;
use Parlay\Core\Tests\Formats\IfcText;
use Tests\Feature\Designs\TakesDrawings;
use Tests\FeatureTestCase;

/** Spots shown on one thing of a model, made on all like it, and again after a revision. */
final class ExampleTest extends FeatureTestCase
{
    use TakesDrawings;

    private const FILES = __DIR__.'/../../../database/demo/files';

    private const LAYERS = ['Grid', 'Ground · Plate'];

    private Project $project;

    private int $design;

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        $this->design = $this->hall('saltmarsh-yard-hall.ifc');
    }

    /** @param  array<string, mixed>  $more */
    private function hall(string $file, array $more = []): int
    {
        $upload = $this->upload($this->project, (string) file_get_contents(self::FILES."/$file"), 'hall.ifc');

        return $this->take($this->project, $upload, ['unit' => 'mm', 'layers' => self::LAYERS, 'heights' => 'used', ...$more]);
    }

    /** @return array<string, mixed> the first thing of a name */
    private function thing(string $name, ?int $design = null): array
    {
        $design ??= $this->design;
        $packed = (string) file_get_contents($this->get("/api/v1/projects/{$this->project->id}/designs/$design/bodies")->baseResponse->getFile()->getPathname());
        $head = json_decode(substr($packed, 4, unpack('V', $packed)[1]), true);
        $number = array_column($head['things'], 0, 1)[$name];

        return $this->ask('GET', "/projects/{$this->project->id}/designs/$design/things/$number")->assertOk()->json();
    }

    /**
     * @param  array<string, mixed>  $thing
     * @return list<array<string, mixed>>
     */
    private static function spots(array $thing, string $what, string $level): array
    {
        return array_values(array_map(
            static fn (array $s) => $s['spot'], array_filter($thing['spots'], static fn (array $s) => [$s['what'], $s['level']] === [$what, $level]),
        ));
    }

    /**
     * @param  array<string, mixed>  $thing
     * @param  list<array<string, mixed>>  $spots
     * @param  array<string, mixed>  $alike
     * @return array<string, mixed>
     */
    private function example(array $thing, array $spots, array $alike, array $naming = ['parts' => ['crossing']]): array
    {
        return ['designId' => $this->design, 'number' => $thing['number'], 'spots' => $spots, 'alike' => $alike, 'naming' => $naming];
    }

    /** @return array<string, array<string, mixed>> by name */
    private function points(): array
    {
        return array_column($this->ask('GET', "/projects/{$this->project->id}/points")->json(), null, 'name');
    }

    /** @return array{float, float} of a place of the hall on the site: so far along it and across from grid crossing A1, as its map conversion has it */
    private static function onSite(float $along, float $across): array
    {
        $turn = deg2rad(18.0);

        return [41_250.0 + $along * cos($turn) - $across * sin($turn), 78_640.0 + $along * sin($turn) + $across * cos($turn)];
    }

    public function test_one_anchor_shown_is_all_ninety_six_named_by_their_crossing_and_a_revision_proposes_sixty(): void
    {
        $anchor = $this->thing('Anchor A1.1');
        self::assertSame(['type' => 96, 'shape' => 96, 'form' => 96, 'class' => 96], array_column($anchor['alike'], 'count', 'by'));
        $spots = self::spots($anchor, 'end of the axis', 'top');
        self::assertCount(1, $spots);
        $example = $this->example($anchor, $spots, ['by' => 'type']);
        $found = $this->ask('POST', "/projects/{$this->project->id}/examples-preview", $example)->assertOk()->json();
        self::assertSame([96, 0, 0, []], [$found['count'], $found['standing'], $found['mirrored'], $found['notFitting']]);
        $kept = $this->ask('POST', "/projects/{$this->project->id}/examples", ['example' => $example, 'code' => 'AB'])->assertOk()->json();
        self::assertSame([96, 0], [$kept['made'], $kept['standing']]);
        $points = $this->points();
        // From the corner nearest to north-east on, clockwise as seen from above: of the hall, which is turned, that is the one along and across.
        foreach ([[1, 1], [1, -1], [-1, -1], [-1, 1]] as $k => [$i, $j]) {
            // B3 stands on a plate of 500 by 400, its anchors 60 from the edges.
            self::assertEqualsWithDelta(self::onSite(15.0 + $i * 0.19, 9.0 + $j * 0.14), [$points['B3.'.($k + 1)]['easting'], $points['B3.'.($k + 1)]['northing']], 1e-6);
            self::assertEqualsWithDelta(4.75, $points['B3.1']['elevation'], 1e-6);
        }
        self::assertSame('AB', $points['A1.1']['code']);
        $recipe = $this->ask('GET', "/projects/{$this->project->id}/points/{$points['B3.1']['id']}/recipe")->assertOk()->json();
        self::assertStringContainsString('End of the axis of mechanical fastener “Anchor B3.3”, type M24 x 500, Ground, instance', $recipe['description']);
        $again = $this->ask('POST', "/projects/{$this->project->id}/examples", ['example' => $example])->assertOk()->json();
        self::assertSame([0, 96], [$again['made'], $again['standing']]);
        $this->hall('saltmarsh-yard-hall-rev-b.ifc', ['revisesId' => $this->design, 'revision' => 'B']);
        $proposals = array_column($this->ask('GET', "/projects/{$this->project->id}/proposals")->assertOk()->json(), null, 'name');
        self::assertCount(60, $proposals);
        self::assertEqualsWithDelta(0.04, $proposals['B3.1']['distance'], 1e-6);
        // A2 stands on a larger plate: 150 and 140 from the middle have become 190 and 140.
        self::assertEqualsWithDelta(0.05, $proposals['A2.1']['distance'], 1e-6);
        $this->ask('POST', "/projects/{$this->project->id}/proposals-adoption", ['ids' => array_column($proposals, 'pointId')])->assertOk();
        self::assertSame([], $this->ask('GET', "/projects/{$this->project->id}/proposals")->json());
        self::assertStringContainsString('(revision B)', $this->ask('GET', "/projects/{$this->project->id}/points/{$points['B3.1']['id']}/recipe")->json('description'));
    }

    public function test_places_at_distances_from_the_edges_of_a_plate_are_so_on_plates_of_three_sizes(): void
    {
        $plate = $this->thing('Plate A1');
        $counts = array_column($plate['alike'], 'count', 'by');
        self::assertSame([4, 24], [$counts['type'], $counts['form']]);
        // Each corner on top, 50 behind both sides.
        $spots = array_map(static function (array $spot): array {
            foreach ($spot['faces'] as $k => $face) {
                $spot['faces'][$k]['inward'] = abs($face['z']) > 0.5 ? 0.0 : 0.05;
            }

            return $spot;
        }, self::spots($plate, 'corner', 'top'));
        self::assertCount(4, $spots);
        $naming = ['prefix' => 'P-', 'parts' => ['crossing', 'type'], 'separator' => '/', 'first' => deg2rad(225), 'clockwise' => false];
        $this->ask('POST', "/projects/{$this->project->id}/examples", ['example' => $this->example($plate, $spots, ['by' => 'form'], $naming)])->assertOk();
        $points = $this->points();
        self::assertCount(96, $points);
        // Begins in the south-west, against the clock: of a plate of 500 by 400 and of one of 300.
        self::assertEqualsWithDelta(self::onSite(15.0 - 0.2, 9.0 - 0.15), [$points['P-B3/BP 500/1']['easting'], $points['P-B3/BP 500/1']['northing']], 1e-6);
        self::assertEqualsWithDelta(self::onSite(0.1, -0.1), [$points['P-A1/BP 300/2']['easting'], $points['P-A1/BP 300/2']['northing']], 1e-6);
        self::assertEqualsWithDelta([4.67, 4.655], [$points['P-B3/BP 500/1']['elevation'], $points['P-A1/BP 300/2']['elevation']], 1e-6);
        $this->hall('saltmarsh-yard-hall-rev-b.ifc', ['revisesId' => $this->design, 'revision' => 'B']);
        self::assertCount(60, $this->ask('GET', "/projects/{$this->project->id}/proposals")->json(), 'of twelve plates that moved and three that grew');
    }

    public function test_a_revision_says_thing_by_thing_what_it_changed_those_with_staked_points_first(): void
    {
        $this->ask('GET', "/projects/{$this->project->id}/designs/{$this->design}/thing-changes")->assertStatus(422);
        $plate = $this->thing('Plate A1');
        $example = $this->example($plate, self::spots($plate, 'centre of a face', 'top'), ['by' => 'form'], ['parts' => ['name']]);
        $this->ask('POST', "/projects/{$this->project->id}/examples", ['example' => $example])->assertOk();
        $b = $this->hall('saltmarsh-yard-hall-rev-b.ifc', ['revisesId' => $this->design, 'revision' => 'B']);
        $changes = $this->ask('GET', "/projects/{$this->project->id}/designs/$b/thing-changes")->assertOk()->json();
        // Twelve plates moved with 48 anchors, three grew, twelve more anchors went with those, and three columns stand higher on them.
        self::assertSame([75, 3, 0, 0, 0, 0, 0], array_map(static fn (string $k) => $changes[$k], ['moved', 'resized', 'turned', 'added', 'gone', 'reshaped', 'newIds']));
        self::assertSame(181 - 78, $changes['unchanged']);
        self::assertEqualsWithDelta(0.05, $changes['farthest'], 1e-6);
        self::assertSame(array_fill(0, 15, 1), array_column(array_slice($changes['things'], 0, 15), 'points'));
        $a2 = array_column($changes['things'], null, 'name')['Plate A2'];
        self::assertEqualsWithDelta([[0.4, 0.4, 0.03], [0.5, 0.4, 0.04]], [$a2['sizeBefore'], $a2['sizeAfter']], 1e-9);
        self::assertTrue($a2['resized']);
    }

    public function test_things_whose_ids_did_not_last_are_known_by_shape_and_place(): void
    {
        $anchor = $this->thing('Anchor A1.1');
        $example = $this->example($anchor, self::spots($anchor, 'end of the axis', 'top'), ['by' => 'type']);
        $this->ask('POST', "/projects/{$this->project->id}/examples", ['example' => $example])->assertOk();
        // Another writer: every id is a new one.
        $text = (string) preg_replace_callback("~\\('(0[^']{21})'~", static fn (array $m) => "('1".strrev(substr($m[1], 1))."'", (string) file_get_contents(self::FILES.'/saltmarsh-yard-hall-rev-b.ifc'));
        $b = $this->take($this->project, $this->upload($this->project, $text, 'hall.ifc'), ['unit' => 'mm', 'layers' => self::LAYERS, 'heights' => 'used', 'revisesId' => $this->design]);
        self::assertSame(181, $this->ask('GET', "/projects/{$this->project->id}/designs/$b/thing-changes")->json('newIds'));
        $proposals = $this->ask('GET', "/projects/{$this->project->id}/proposals")->json();
        self::assertCount(60, $proposals);
        self::assertSame([], array_filter($proposals, static fn (array $p) => $p['proposed'] === null));
    }

    public function test_corners_of_what_stands_become_control_with_their_source_and_how_far_they_may_be_off(): void
    {
        $footing = $this->thing('Footing A1');
        $example = $this->example($footing, self::spots($footing, 'corner', 'top'), ['by' => 'chosen', 'numbers' => [$footing['number']]], ['prefix' => 'F-', 'parts' => ['crossing']]);
        $body = ['example' => $example, 'planDeviation' => 0.004, 'heightDeviation' => 0.003];
        $this->ask('POST', "/projects/{$this->project->id}/examples-control", ['planDeviation' => 0.0] + $body)->assertStatus(422);
        self::assertSame(['F-A1.1', 'F-A1.2', 'F-A1.3', 'F-A1.4'], $this->ask('POST', "/projects/{$this->project->id}/examples-control", $body)->assertOk()->json('names'));
        $control = array_column($this->ask('GET', "/projects/{$this->project->id}/control")->json(), null, 'name')['F-A1.1'];
        self::assertEqualsWithDelta([...self::onSite(0.7, 0.7), 4.4], [$control['easting'], $control['northing'], $control['elevation']], 1e-6);
        self::assertSame([false, 0.004, 0.003], [$control['heldFixed'], $control['planDeviation'], $control['heightDeviation']]);
        self::assertStringContainsString('Corner of footing “Footing A1”', $control['source']);
        self::assertStringContainsString('F-A1.1', $this->ask('POST', "/projects/{$this->project->id}/examples-control", $body)->assertStatus(422)->json('message'));
        self::assertCount(4, $this->ask('GET', "/projects/{$this->project->id}/control")->json(), 'nothing half stored');
        $all = ['alike' => ['by' => 'class']] + $this->example($this->thing('Anchor A1.1'), self::spots($this->thing('Anchor A1.1'), 'end of the axis', 'top'), [], ['prefix' => 'Q', 'parts' => ['name']]);
        self::assertSame(96, $this->ask('POST', "/projects/{$this->project->id}/examples-control", ['example' => $all] + $body)->json('made'));
    }

    public function test_codes_come_by_type_and_names_by_side(): void
    {
        $plate = $this->thing('Plate A1');
        $example = $this->example($plate, self::spots($plate, 'middle of an edge', 'top'), ['by' => 'form'], ['parts' => ['crossing', 'side'], 'separator' => '-']);
        $this->ask('POST', "/projects/{$this->project->id}/examples", ['example' => $example + ['codeFrom' => 'type'], 'code' => 'unused'])->assertOk();
        $points = $this->points();
        self::assertSame(['BP 300', 'BP 400', 'BP 500'], array_values(array_unique(array_map(static fn (string $n) => $points[$n]['code'], ['A1-N', 'A2-E', 'B2-S']))));
        // The hall is turned by 18 degrees: its sides are still nearest to the four.
        self::assertEqualsWithDelta(self::onSite(0.0, 0.15), [$points['A1-N']['easting'], $points['A1-N']['northing']], 1e-6);
        self::assertCount(96, $points);
        $many = $this->example($plate, self::spots($plate, 'corner', 'top'), ['by' => 'chosen', 'numbers' => range(1, 5001)]);
        $this->ask('POST', "/projects/{$this->project->id}/examples-preview", $many)->assertStatus(422);
    }

    public function test_what_is_varied_by_hand_on_one_plate_stays_so_through_a_revision(): void
    {
        $plate = $this->thing('Plate B2');
        $this->ask('POST', "/projects/{$this->project->id}/examples", ['example' => $this->example($plate, self::spots($plate, 'corner', 'top'), ['by' => 'form'])])->assertOk();
        $point = $this->points()['B2.1'];
        self::assertSame('model', $point['origin']);
        $path = "/projects/{$this->project->id}/points/{$point['id']}/recipe";
        $recipe = $this->ask('GET', $path)->assertOk()->json();
        self::assertEqualsCanonicalizing(['up', 'east', 'north'], $recipe['looks']);
        foreach ($recipe['construction']['places'][0]['element']['spot']['faces'] as $k => $face) {
            $recipe['construction']['places'][0]['element']['spot']['faces'][$k]['inward'] = $recipe['looks'][$k] === 'east' ? 0.08 : 0.0;
        }
        $given = ['places' => [['element' => $recipe['construction']['places'][0]['element']]], 'kind' => 'place'];
        $this->ask('PUT', $path, ['construction' => $given, 'letter' => 'A', 'index' => 0])->assertOk();
        $at = fn (): array => [$this->points()['B2.1']['easting'], $this->points()['B2.1']['northing']];
        self::assertEqualsWithDelta(self::onSite(7.5 + 0.25 - 0.08, 9.0 + 0.2), $at(), 1e-6);
        $this->hall('saltmarsh-yard-hall-rev-b.ifc', ['revisesId' => $this->design, 'revision' => 'B']);
        $proposals = $this->ask('GET', "/projects/{$this->project->id}/proposals")->json();
        $this->ask('POST', "/projects/{$this->project->id}/proposals-adoption", ['ids' => array_column($proposals, 'pointId')])->assertOk();
        self::assertEqualsWithDelta(self::onSite(7.54 + 0.25 - 0.08, 9.0 + 0.2), $at(), 1e-6);
        self::assertSame('model', $this->points()['B2.1']['origin']);
    }

    public function test_what_is_alike_can_be_narrowed_and_what_does_not_fit_is_listed(): void
    {
        $hanger = $this->thing('Hanger H1');
        $spots = self::spots($hanger, 'centre of a face', 'underside');
        $only = fn (array $alike): array => $this->ask('POST', "/projects/{$this->project->id}/examples-preview", $this->example($hanger, $spots, $alike, []))->json();
        self::assertCount(3, $only(['by' => 'type'])['things']);
        self::assertCount(12, $only(['by' => 'class'])['things']);
        self::assertCount(0, $only(['by' => 'class', 'storey' => 'Ground'])['things']);
        self::assertCount(11, $only(['by' => 'class', 'without' => [$hanger['number']]])['things']);
        self::assertCount(1, $only(['by' => 'chosen', 'numbers' => [$hanger['number']]])['things']);
        self::assertStringContainsString('says nothing of “colour”', $only(['by' => 'property', 'property' => 'colour'])['message']);
        // The end of a bolt's axis on a plate, which has none.
        $anchor = $this->thing('Anchor A1.1');
        $plate = $this->thing('Plate A1');
        $misfit = $this->ask('POST', "/projects/{$this->project->id}/examples-preview", $this->example(
            $plate, self::spots($anchor, 'end of the axis', 'top'), ['by' => 'chosen', 'numbers' => [$anchor['number'], $plate['number']]],
        ))->json();
        self::assertSame([1, ['number' => $plate['number'], 'name' => 'Plate A1', 'why' => 'has none of these axes, and the example has 1']], [count($misfit['things']), $misfit['notFitting'][0]]);
        $this->ask('POST', "/projects/{$this->project->id}/examples-preview", $this->example($plate, [], ['by' => 'type']))->assertStatus(422);
        $other = $this->project();
        $this->ask('POST', "/projects/{$other->id}/examples-preview", $this->example($plate, $spots, ['by' => 'type']))->assertStatus(404);
        $this->ask('GET', "/projects/{$other->id}/designs/{$this->design}/things/{$plate['number']}")->assertStatus(404);
    }

    public function test_things_are_found_by_any_words_the_file_says_of_them(): void
    {
        $found = fn (string $words): int => count($this->ask('GET', "/projects/{$this->project->id}/designs/{$this->design}/things?words=".rawurlencode($words))->assertOk()->json('numbers'));
        self::assertSame([4, 24, 13, 0, 0], array_map($found, ['bp 300', 'Footing', 'mezzanine', '%', 'nothing of that']));
        $this->ask('GET', "/projects/{$this->project->id}/designs/{$this->design}/things")->assertStatus(422);
    }

    public function test_a_mirrored_thing_is_said_to_be_and_has_its_spots_on_the_other_side(): void
    {
        $ifc = new IfcText;
        $profile = $ifc->add('IFCARBITRARYCLOSEDPROFILEDEF(.AREA.,$,'.$ifc->polyline([[0, 0], [400, 0], [400, 100], [100, 100], [100, 300], [0, 300]]).')');
        $body = $ifc->extrusion($profile, 50);
        $map = $ifc->add("IFCREPRESENTATIONMAP({$ifc->axes([0, 0, 0])},{$ifc->add("IFCSHAPEREPRESENTATION({$ifc->context},'Body','SweptSolid',($body))")})");
        $origin = $ifc->point([0, 0, 0]);
        $plain = $ifc->add("IFCMAPPEDITEM($map,{$ifc->add("IFCCARTESIANTRANSFORMATIONOPERATOR3D($,$,$origin,1.,$)")})");
        $mirror = $ifc->add("IFCMAPPEDITEM($map,{$ifc->add("IFCCARTESIANTRANSFORMATIONOPERATOR3D({$ifc->direction([-1, 0, 0])},{$ifc->direction([0, 1, 0])},$origin,1.,{$ifc->direction([0, 0, 1])})")})");
        $part = $ifc->product('Right', [$plain], kind: 'MappedRepresentation');
        $whole = $ifc->product('Left', [$mirror], kind: 'MappedRepresentation');
        $ifc->add("IFCRELAGGREGATES({$ifc->id()},$,$,$,$whole,($part))");
        $upload = $this->upload($this->project, $ifc->text(), 'brackets.ifc');
        $this->design = $this->take($this->project, $upload, ['unit' => 'mm', 'layers' => ['Ground · Building element proxy'], 'heights' => 'used']);
        $right = $this->thing('Right');
        self::assertSame(['Left', ''], [$right['assembly'], $this->thing('Left')['assembly']], 'what it is a part of');
        $corner = array_values(array_filter($right['spots'], static fn (array $s) => $s['what'] === 'corner' && abs($s['easting'] - 0.4) + abs($s['northing'] - 0.1) + abs($s['elevation'] - 0.05) < 1e-9));
        self::assertCount(1, $corner);
        $example = $this->example($right, [$corner[0]['spot']], ['by' => 'class'], ['parts' => ['name']]);
        $found = $this->ask('POST', "/projects/{$this->project->id}/examples-preview", $example)->json();
        self::assertSame([2, 1, ['Right', 'Left']], [count($found['things']), $found['mirrored'], $found['names']]);
        self::assertEqualsWithDelta([0.4, 0.1, 0.05, -0.4, 0.1, 0.05], $found['places'], 1e-9);
    }
}
