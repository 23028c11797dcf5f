<?php

declare(strict_types=1);

namespace Tests\Feature\Cogo;

use App\Control\Models\ControlPoint;
use App\Designs\Models\DesignLayer;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\FeatureTestCase;

/** Points by computation: drawn before they are kept, remembered with how they were made, proposed anew when their source changes. */
final class ConstructionTest extends FeatureTestCase
{
    public function test_of_two_distances_both_places_are_shown_and_one_is_kept(): void
    {
        $project = $this->project();
        [$a, $b] = [$this->point($project, 'A', 100.0, 200.0), $this->point($project, 'B', 100.0, 210.0)];
        $construction = [
            'kind' => 'twoDistances', 'places' => [['pointId' => $a], ['pointId' => $b]],
            'distances' => [['metres' => 6.0], ['metres' => 8.0]],
        ];
        $made = $this->preview($project, $construction)->assertOk()->json();
        self::assertSame(['A', 'B'], array_column($made['solutions'], 'letter'));
        self::assertEqualsWithDelta([104.8, 203.6, 95.2, 203.6], [
            $made['solutions'][0]['places'][0]['northing'], $made['solutions'][0]['places'][0]['easting'],
            $made['solutions'][1]['places'][0]['northing'], $made['solutions'][1]['places'][0]['easting'],
        ], 1e-9);
        self::assertSame('Intersection of two distances from A, B, 6.000 m and 8.000 m', $made['description']);
        self::assertSame(2, StakeoutPoint::of($project)->count(), 'a preview stores nothing');
        $kept = $this->keep($project, $construction, [['letter' => 'B', 'index' => 0]], ['name' => 'C1'])->assertOk()->json();
        self::assertSame([1, 0, ['C1']], [$kept['made'], $kept['standing'], $kept['names']]);
        self::assertSame('C1', $this->preview($project, $construction)->json('solutions.1.places.0.standsAs'));
        self::assertSame([0, 1], array_slice(
            array_values($this->keep($project, $construction, [['letter' => 'B', 'index' => 0]], ['name' => 'C2'])->json()), 0, 2,
        ), 'what stands there is not made twice');
        $this->ask('POST', "/projects/{$project->id}/undo")->assertOk();
        self::assertSame(2, StakeoutPoint::of($project)->count());
    }

    public function test_the_ruler_runs_between_any_places_and_tells_the_angle_at_the_middle_one_both_ways(): void
    {
        $project = $this->project();
        $this->site($project);
        $p = $this->point($project, 'P', 100.0, 200.0);
        $mark = ControlPoint::of($project)->firstOrFail();
        $there = ['northing' => 110.0, 'easting' => 200.0];
        $told = $this->ask('POST', "/projects/{$project->id}/inverse", ['from' => ['pointId' => $p], 'to' => $there, 'next' => ['northing' => 110.0, 'easting' => 210.0]])
            ->assertOk()
            ->json();
        self::assertEqualsWithDelta([10.0, 0.0, null], [$told['between']['distance'], $told['between']['direction'], $told['between']['rise']], 1e-12);
        // From south to east, over north-west: three quarters of a turn; and one quarter the other way.
        self::assertEqualsWithDelta([1.5 * M_PI, 0.5 * M_PI], [$told['turn']['clockwise'], $told['turn']['counterclockwise']], 1e-12);
        $toMark = $this->ask('POST', "/projects/{$project->id}/inverse", ['from' => ['controlId' => $mark->id], 'to' => ['pointId' => $p]])->assertOk()->json();
        self::assertNull($toMark['turn']);
        self::assertStringContainsString('same place', (string) $this->ask(
            'POST', "/projects/{$project->id}/inverse", ['from' => $there, 'to' => $there, 'next' => ['pointId' => $p]],
        )->assertStatus(422)->json('message'));
    }

    public function test_control_is_kept_from_a_place_with_its_exact_coordinates_and_its_source(): void
    {
        $project = $this->project();
        $p = $this->point($project, 'P', 100.0625, 200.0);
        $kept = $this->ask('POST', "/projects/{$project->id}/control", [
            // The figures on the screen are rounded; what counts is the place itself.
            'name' => 'P', 'northing' => 100.06, 'easting' => 200.0, 'elevation' => null, 'place' => ['pointId' => $p],
        ])->assertOk()->json();
        self::assertSame([100.0625, 200, null, 'stakeout point P'], [$kept['northing'], $kept['easting'], $kept['elevation'], $kept['source']]);
        $this->ask('POST', "/projects/{$project->id}/control", ['name' => 'Q', 'northing' => 1.0, 'easting' => 2.0, 'place' => ['pointId' => 999]])->assertStatus(422);
        self::assertSame(0, ControlPoint::of($project)->where('name', 'Q')->count());
    }

    public function test_what_is_wrong_is_said_with_its_figure_in_the_projects_unit_and_nothing_is_stored(): void
    {
        $project = $this->project('ftin16');
        $construction = [
            'kind' => 'twoDistances', 'places' => [['northing' => 0, 'easting' => 0], ['northing' => 0, 'easting' => 10]],
            'distances' => [['metres' => 4.0], ['metres' => 5.0]],
        ];
        self::assertStringContainsString(
            "miss by 3' 3 3/8\"", (string) $this->preview($project, $construction)->assertStatus(422)->json('message'),
        );
        foreach ([
            [['kind' => 'twoDistances'], 'A place is missing'], [['kind' => 'spiral'], 'must be one of'], [[
                'kind' => 'every', 'chain' => ['places' => [['northing' => 0, 'easting' => 0], ['northing' => 0, 'easting' => 1e6]]],
                'distances' => [['metres' => 0.01]],
            ], 'more than 20000 points'],
            [[
                'kind' => 'directionDistance', 'places' => [['pointId' => 999]], 'directions' => [['azimuth' => 1]],
                'distances' => [['metres' => 1]],
            ], 'is gone'],
            [
                ['kind' => 'boltCircle', 'places' => [['northing' => 0, 'easting' => 0]], 'count' => 4, 'distances' => [['metres' => 0]]],
                'more than 0',
            ],
            [[
                'kind' => 'area',
                'chain' => ['places' => [['northing' => 0, 'easting' => 0], ['northing' => 0, 'easting' => 5]], 'closed' => true],
            ], 'encloses nothing'],
        ] as [$bad, $says]) {
            self::assertStringContainsString($says, (string) $this->preview($project, $bad)->assertStatus(422)->json('message'));
        }
        self::assertSame(0, StakeoutPoint::of($project)->count());
    }

    public function test_bolts_about_every_point_are_named_by_it_and_have_their_elevation_by_rule(): void
    {
        $project = $this->project();
        $ids = array_map(fn (int $i) => $this->point($project, "C\"$i", 100.0 + 6 * $i, 200.0, 3.2), range(1, 24));
        $construction = [
            'kind' => 'boltRectangle', 'places' => array_map(static fn (int $id) => ['pointId' => $id], $ids), 'count' => 2,
            'across' => 2, 'distances' => [['metres' => 0.3], ['metres' => 0.2]], 'directions' => [['azimuth' => 0.3]],
        ];
        $kept = array_map(static fn (int $i) => ['letter' => 'A', 'index' => $i], range(0, 95));
        $elevation = ['rule' => 'difference', 'value' => 0.25, 'from' => ['pointId' => $ids[0]]];
        $names = $this
            ->keep($project, $construction, $kept, ['name' => 'x', 'naming' => 'bySource', 'code' => 'ANCHOR', 'elevation' => $elevation])
            ->assertOk()
            ->json('names');
        self::assertSame(['C"1.1', 'C"1.4', 'C"2.1', 'C"24.4'], [$names[0], $names[3], $names[4], $names[95]]);
        self::assertSame([3.45], StakeoutPoint::of($project)->where('code', 'ANCHOR')->distinct()->pluck('elevation')->all());
        self::assertSame('There is a point “C"1.1” already. Choose another name or way of naming.', $this->keep(
            $project, ['distances' => [['metres' => 0.31], ['metres' => 0.2]]] + $construction, $kept,
            ['name' => 'x', 'naming' => 'bySource'],
        )->assertStatus(422)->json('message'));
        self::assertSame(120, StakeoutPoint::of($project)->count(), 'all of them or none');
    }

    public function test_a_moved_source_proposes_new_places_for_all_that_hangs_on_it_and_moves_nothing_by_itself(): void
    {
        $project = $this->project();
        $a = $this->point($project, 'A', 100.0, 200.0, 5.0);
        $this->keep($project, self::eastOf($a, 10.0), [['letter' => 'A', 'index' => 0]], ['name' => 'B'])->assertOk();
        $b = (int) StakeoutPoint::of($project)->where('name', 'B')->value('id');
        $this->keep(
            $project, self::eastOf($b, 5.0), [['letter' => 'A', 'index' => 0]],
            ['name' => 'C', 'elevation' => ['rule' => 'difference', 'value' => -1.0, 'from' => ['pointId' => $a]]],
        )->assertOk();
        self::assertSame([], $this->ask('GET', "/projects/{$project->id}/proposals")->json());
        $this
            ->ask('PUT', "/projects/{$project->id}/points/$a", ['name' => 'A', 'northing' => 101.5, 'easting' => 200.0, 'elevation' => 5.5])
            ->assertOk();
        $proposals = $this->ask('GET', "/projects/{$project->id}/proposals")->assertOk()->json();
        self::assertSame(['B', 'C'], array_column($proposals, 'name'));
        self::assertEqualsWithDelta(
            [101.5, 215.0, 4.5, 1.5], [...array_values($proposals[1]['proposed']), $proposals[1]['distance']], 1e-9,
        );
        self::assertSame(100.0, StakeoutPoint::of($project)->findOrFail($b)->northing, 'nothing moves before it is told to');
        self::assertSame(2, $this
            ->ask('POST', "/projects/{$project->id}/proposals-adoption", ['ids' => array_column($proposals, 'pointId')])
            ->assertOk()
            ->json('count'));
        self::assertEqualsWithDelta(101.5, StakeoutPoint::of($project)->findOrFail($b)->northing, 1e-9);
        self::assertSame([], $this->ask('GET', "/projects/{$project->id}/proposals")->json());
        $this->ask('POST', "/projects/{$project->id}/points-deletion", ['ids' => [$a]])->assertOk();
        self::assertStringContainsString('is gone', $this->ask('GET', "/projects/{$project->id}/proposals")->json('0.why'));
        $this->ask('POST', "/projects/{$project->id}/recipes-dropping", ['ids' => array_column($proposals, 'pointId')])->assertOk();
        self::assertSame([], $this->ask('GET', "/projects/{$project->id}/proposals")->json());
    }

    public function test_a_recipe_is_opened_and_changed_but_never_to_hang_on_itself(): void
    {
        $project = $this->project();
        $a = $this->point($project, 'A', 100.0, 200.0);
        $this->keep($project, self::eastOf($a, 10.0), [['letter' => 'A', 'index' => 0]], ['name' => 'B'])->assertOk();
        $b = (int) StakeoutPoint::of($project)->where('name', 'B')->value('id');
        $recipe = $this->ask('GET', "/projects/{$project->id}/points/$b/recipe")->assertOk()->json();
        self::assertSame(['directionDistance', $a, 10], [
            $recipe['construction']['kind'], $recipe['construction']['places'][0]['pointId'],
            $recipe['construction']['distances'][0]['metres'],
        ]);
        $changed = ['construction' => ['offset' => -2.0] + $recipe['construction'], 'letter' => 'A', 'index' => 0];
        self::assertEqualsWithDelta(
            102.0, $this->ask('PUT', "/projects/{$project->id}/points/$b/recipe", $changed)->assertOk()->json('northing'), 1e-9,
        );
        self::assertStringContainsString('from itself', (string) $this
            ->ask('PUT', "/projects/{$project->id}/points/$b/recipe", ['construction' => self::eastOf($b, 1.0)])
            ->assertStatus(422)
            ->json('message'));
        // Round about: A from B, where B hangs on A.
        $this->ask('PUT', "/projects/{$project->id}/points/$a/recipe", ['construction' => self::eastOf($b, 1.0)])->assertOk();
        self::assertStringContainsString(
            'computed from itself',
            implode(' ', array_column($this->ask('GET', "/projects/{$project->id}/proposals")->assertOk()->json(), 'why')),
        );
    }

    public function test_a_revision_that_moves_circles_proposes_their_points_anew(): void
    {
        $project = $this->project();
        $circle = static fn (float $x, float $r = 0.2) => "0\nCIRCLE\n8\nC\n10\n$x\n20\n50\n40\n$r\n";
        $file = static fn (string $entities) => "0\nSECTION\n2\nENTITIES\n{$entities}0\nENDSEC\n0\nEOF\n";
        $first = $this->take($project, $file($circle(10).$circle(20).$circle(30).$circle(40)));
        $layer = (int) DB::table('design_layers')->value('id');
        foreach (range(0, 3) as $i) {
            $this->ask(
                'POST', "/projects/{$project->id}/points",
                ['name' => "P$i", 'spot' => ['layerId' => $layer, 'shape' => $i, 'kind' => 'centre']],
            )->assertOk();
        }
        $second = $this->take($project, $file($circle(10.25).$circle(20).$circle(30.5)), ['revisesId' => $first, 'revision' => 'B']);
        $proposals = array_column($this->ask('GET', "/projects/{$project->id}/proposals")->assertOk()->json(), null, 'name');
        self::assertSame(['P0', 'P2', 'P3'], array_keys($proposals));
        self::assertEqualsWithDelta(
            [10.25, 30.5], [$proposals['P0']['proposed']['easting'], $proposals['P2']['proposed']['easting']], 1e-9,
        );
        self::assertStringContainsString('Revision “B” of', $proposals['P3']['why']);
        self::assertNull($proposals['P3']['proposed']);
        $this
            ->ask('POST', "/projects/{$project->id}/proposals-adoption", ['ids' => array_column($proposals, 'pointId')])
            ->assertOk()
            ->assertJson(['count' => 2]);
        $recipe = StakeoutPoint::of($project)->where('name', 'P0')->firstOrFail()->recipe;
        self::assertStringContainsString('revision B', $recipe['description']);
        self::assertSame(
            $second,
            (int) DB::table('design_layers')->where('id', $recipe['construction']['places'][0]['spot']['layerId'])->value('design_id'),
        );
        foreach (range(1, 2) as $step) {
            $this->ask('POST', "/projects/{$project->id}/undo")->assertOk();
        }
        self::assertSame([], $this->ask('GET', "/projects/{$project->id}/proposals")->json(), 'without the revision nothing has changed');
    }

    public function test_many_places_of_a_drawing_become_points_at_once_and_none_twice(): void
    {
        $project = $this->project();
        $entities = '';
        foreach ([[10, 50, 0.2], [20, 50, 0.2], [30, 50, 0.3]] as [$x, $y, $r]) {
            $entities .= "0\nCIRCLE\n8\nC\n10\n$x\n20\n$y\n40\n$r\n";
        }
        foreach ([[0, 0, 25, 0], [25, 0, 25, 10], [5, -5, 5, 5]] as [$x1, $y1, $x2, $y2]) {
            $entities .= "0\nLINE\n8\nL\n10\n$x1\n20\n$y1\n11\n$x2\n21\n$y2\n";
        }
        $this->take($project, "0\nSECTION\n2\nENTITIES\n{$entities}0\nENDSEC\n0\nEOF\n", ['layers' => ['C', 'L']]);
        $ids = DB::table('design_layers')->pluck('id', 'name');
        $collect = fn (array $collection) => $this->ask(
            'POST', "/projects/{$project->id}/collections-preview", ['collection' => $collection],
        );
        $keep = fn (array $collection, string $name, array $more = []) => $this->ask(
            'POST', "/projects/{$project->id}/collections", ['collection' => $collection, 'name' => $name] + $more,
        );
        $circles = ['kind' => 'circles', 'like' => ['layerId' => $ids['C'], 'shape' => 0]];
        self::assertSame([2, 0], [$collect($circles)->assertOk()->json('count'), $collect($circles)->json('standing')]);
        $keep($circles, 'P', ['order' => 'alongLine'])->assertStatus(422);
        self::assertSame(['P1', 'P2'], $keep($circles, 'P', ['order' => 'westToEast'])->assertOk()->json('names'));
        self::assertSame([2, 2], [$collect($circles)->json('count'), $collect($circles)->json('standing')]);
        self::assertSame(1, $keep(['kind' => 'circles', 'layerIds' => [$ids['C']]], 'Q')->json('made'));
        self::assertSame(5, $collect(['kind' => 'ends', 'layerIds' => [$ids['L']]])->json('count'));
        self::assertEqualsWithDelta([5.0, 0.0, 25.0, 0.0], $collect(['kind' => 'crossings', 'layerIds' => [$ids['L']]])->json('new'), 1e-9);
        self::assertSame(
            4, $collect(['kind' => 'along', 'shapes' => [['layerId' => $ids['L'], 'shape' => 0]], 'interval' => 10])->json('count'),
        );
        $keep(['kind' => 'crossings', 'layerIds' => [$ids['L']]], 'X', ['elevation' => ['rule' => 'figure', 'value' => 2.5]])->assertOk();
        self::assertSame(2.5, StakeoutPoint::of($project)->where('name', 'X1')->firstOrFail()->elevation);
        self::assertStringContainsString('not a block', (string) $collect(
            ['kind' => 'insertions', 'like' => ['layerId' => $ids['C'], 'shape' => 0]],
        )->assertStatus(422)->json('message'));
    }

    public function test_points_take_their_names_from_an_attribute_of_the_block(): void
    {
        $project = $this->project();
        $block = "0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n2\nBOLT\n0\nCIRCLE\n8\n0\n10\n0\n20\n0\n40\n0.1\n0\nENDBLK\n0\nENDSEC\n";
        $entities = '';
        foreach ([[10, 'F1'], [20, 'F1'], [30, ''], [40, 'F 7']] as [$x, $no]) {
            $attribute = $no === '' ? '' : "0\nATTRIB\n8\nB\n2\nNO\n1\n$no\n10\n$x\n20\n0\n40\n1\n0\nSEQEND\n";
            $entities .= "0\nINSERT\n8\nB\n2\nBOLT\n66\n1\n10\n$x\n20\n0\n$attribute";
        }
        $this->take($project, "{$block}0\nSECTION\n2\nENTITIES\n{$entities}0\nENDSEC\n0\nEOF\n", ['layers' => ['B']]);
        $layer = DB::table('design_layers')->value('id');
        $first = array_search('insert', array_map(
            static fn (int $i) => DesignLayer::query()->findOrFail($layer)->shape($i)?->kind->name === 'Insert' ? 'insert' : '',
            range(0, 3),
        ), true);
        $collection = ['kind' => 'insertions', 'like' => ['layerId' => $layer, 'shape' => $first]];
        $seen = $this->ask('POST', "/projects/{$project->id}/collections-preview", ['collection' => $collection])->assertOk()->json();
        self::assertSame([4, ['NO'], []], [$seen['count'], $seen['attributes'], $seen['names']]);
        $named = $collection + ['attribute' => 'NO'];
        self::assertSame(
            ['F1', 'F1-2', 'F 7'],
            $this->ask('POST', "/projects/{$project->id}/collections-preview", ['collection' => $named])->json('names'),
        );
        $this->ask('POST', "/projects/{$project->id}/collections", ['collection' => $named, 'name' => ''])->assertOk();
        self::assertSame(
            ['F1' => 10.0, 'F1-2' => 20.0, '1' => 30.0, 'F 7' => 40.0],
            StakeoutPoint::of($project)->orderBy('easting')->pluck('easting', 'name')->all(),
        );
    }

    public function test_a_place_and_a_hole_of_a_block_are_found_where_it_is_stretched_and_mirrored(): void
    {
        $project = $this->project();
        $block = "0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n2\nPLATE\n10\n0\n20\n0\n0\nCIRCLE\n8\nH\n10\n1\n20\n2\n40\n0.1\n0\nENDBLK\n0\nENDSEC\n";
        $entities = '';
        // As drawn; twice as wide; mirrored and half as high; turned by a quarter and twice as wide.
        foreach ([[10, 1, 1, 0], [30, 2, 1, 0], [50, -1, 0.5, 0], [70, 2, 1, 90]] as [$x, $sx, $sy, $turn]) {
            $entities .= "0\nINSERT\n8\nB\n2\nPLATE\n10\n$x\n20\n0\n41\n$sx\n42\n$sy\n50\n$turn\n";
        }
        $this->take($project, "{$block}0\nSECTION\n2\nENTITIES\n{$entities}0\nENDSEC\n0\nEOF\n", ['layers' => ['B', 'H']]);
        $ids = DB::table('design_layers')->pluck('id', 'name');
        $made = fn (array $collection): array => array_chunk($this->ask('POST', "/projects/{$project->id}/collections-preview", ['collection' => $collection])->assertOk()->json('new'), 2);
        $kinds = array_map(static fn (int $i) => DesignLayer::query()->findOrFail($ids['B'])->shape($i)?->kind->name, range(0, 3));
        // Of the first, 2 along and 1 to its right: where its hole is, and the holes of the others.
        $beside = $made(['kind' => 'insertions', 'like' => ['layerId' => $ids['B'], 'shape' => (int) array_search('Insert', $kinds, true)], 'along' => 2.0, 'offset' => 1.0]);
        self::assertEqualsWithDelta([[11.0, 2.0], [32.0, 2.0], [49.0, 1.0], [68.0, 2.0]], $beside, 1e-9);
        $layer = DesignLayer::query()->findOrFail($ids['H']);
        $ellipse = (int) array_search('Ellipse', array_map(static fn (int $i) => $layer->shape($i)?->kind->name, range(0, 3)), true);
        // Those of twice the width; of half the height it is another.
        self::assertEqualsWithDelta([[32.0, 2.0], [68.0, 2.0]], $made(['kind' => 'circles', 'like' => ['layerId' => $ids['H'], 'shape' => $ellipse]]), 1e-9);
    }

    public function test_grid_lines_are_typed_corrected_and_crossed_and_an_offset_from_them_is_toward_a_line(): void
    {
        $project = $this->project();
        $typed = [
            'way' => 'spacings', 'origin' => ['northing' => 100, 'easting' => 200], 'direction' => ['azimuth' => 0], 'first' => 'A',
            'spacings' => [6, 6.5], 'crossFirst' => '1', 'crossSpacings' => [5, 5, 5],
        ];
        $lines = $this->ask('POST', "/projects/{$project->id}/grid-preview", $typed)->assertOk()->json();
        self::assertSame(['A', 'B', 'C', '1', '2', '3', '4'], array_column($lines, 'name'));
        $this->ask(
            'POST', "/projects/{$project->id}/grid-lines",
            ['lines' => array_map(static fn (array $l) => array_diff_key($l, ['id' => 0]), $lines)],
        )->assertOk();
        $kept = array_column($this->ask('GET', "/projects/{$project->id}/grid-lines")->json(), null, 'name');
        $spacings = $this->ask('GET', "/projects/{$project->id}/grid-spacings")->assertOk()->json();
        self::assertSame(['A B', 'B C', '1 2', '2 3', '3 4'], array_map(static fn (array $s) => "{$s['from']} {$s['to']}", $spacings));
        self::assertEqualsWithDelta([6.0, 6.5, 5.0, 5.0, 5.0], array_column($spacings, 'apart'), 1e-9);
        $crossings = ['collection' => ['kind' => 'gridCrossings', 'separator' => '/'], 'name' => ''];
        self::assertSame(12, $this->ask('POST', "/projects/{$project->id}/collections", $crossings)->assertOk()->json('made'));
        $c4 = StakeoutPoint::of($project)->where('name', 'C/4')->firstOrFail();
        self::assertEqualsWithDelta([115.0, 212.5], [$c4->northing, $c4->easting], 1e-9);
        // 1.20 from B toward C, on 3
        $offset = ['kind' => 'twoLines', 'lines' => [
            ['gridLineId' => $kept['B']['id'], 'offset' => 1.2, 'towardId' => $kept['C']['id']], ['gridLineId' => $kept['3']['id']],
        ]];
        self::assertEqualsWithDelta(
            [110.0, 207.2],
            array_slice(array_values($this->preview($project, $offset)->assertOk()->json('solutions.0.places.0')), 0, 2), 1e-9,
        );
        $offset['lines'][0]['towardId'] = $kept['A']['id'];
        self::assertEqualsWithDelta(204.8, $this->preview($project, $offset)->json('solutions.0.places.0.easting'), 1e-9);
        $moved = ['name' => 'C', 'family' => 'letters'] + $kept['C'];
        $this->ask(
            'PUT', "/projects/{$project->id}/grid-lines/{$kept['C']['id']}",
            ['easting1' => 212.7, 'easting2' => 212.7] + array_diff_key($moved, ['id' => 0]),
        )->assertOk();
        self::assertSame(
            ['C/1', 'C/2', 'C/3', 'C/4'], array_column($this->ask('GET', "/projects/{$project->id}/proposals")->json(), 'name'),
        );
        $this
            ->ask('PUT', "/projects/{$project->id}/grid-lines/{$kept['C']['id']}", ['name' => 'A'] + array_diff_key($moved, ['id' => 0]))
            ->assertStatus(422);
        self::assertStringContainsString('parallel', (string) $this
            ->ask('POST', "/projects/{$project->id}/grid-preview", ['skew' => 0] + $typed)
            ->assertStatus(422)
            ->json('message'));
        $one = $this->ask(
            'POST', "/projects/{$project->id}/grid-preview",
            ['way' => 'places', 'first' => "B'", 'origin' => ['northing' => 0, 'easting' => 1], 'end' => ['northing' => 5, 'easting' => 1]],
        )->assertOk()->json();
        self::assertSame([["B'", 'letters', 5]], array_map(static fn (array $l) => [$l['name'], $l['family'], $l['northing2']], $one));
        $radial = $this->ask('POST', "/projects/{$project->id}/grid-preview", [
            'way' => 'radial', 'origin' => ['northing' => 0, 'easting' => 0], 'first' => '1', 'spacings' => [0.5, 0.5],
            'crossFirst' => 'A', 'crossSpacings' => [10, 5],
        ])->assertOk()->json();
        self::assertSame(
            [['1', '2', '3', 'A', 'B'], [false, false, false, true, true]],
            [array_column($radial, 'name'), array_column($radial, 'ring')],
        );
    }

    public function test_grid_lines_are_found_in_the_demo_hall_with_their_names(): void
    {
        $project = $this->project();
        $task = $this->ask('POST', "/projects/{$project->id}/designs", [
            'upload' => $this->upload(
                $project, (string) file_get_contents(__DIR__.'/../../../database/demo/files/saltmarsh-yard.dxf'), 'yard.dxf',
            ),
            'name' => 'Yard', 'unit' => 'mm', 'layers' => ['GRID', 'GRID-NAMES', 'NOTES', 'WALLS', 'TRACK', 'LEVELS'],
            'heights' => 'dropped',
        ])->json('id');
        $this->ask('GET', "/projects/{$project->id}/tasks/$task")->assertJson(['state' => 'done']);
        $ids = DB::table('design_layers')->pluck('id', 'name');
        $found = $this
            ->ask('POST', "/projects/{$project->id}/grid-preview", ['way' => 'drawing', 'layerIds' => $ids->values()->all()])
            ->assertOk()
            ->json();
        self::assertSame(['A', 'B', 'C', 'D', '1', '2', '3', '4', '5', '6'], array_column($found, 'name'));
        self::assertStringContainsString('No long straight line', (string) $this
            ->ask('POST', "/projects/{$project->id}/grid-preview", ['way' => 'drawing', 'layerIds' => [$ids['TRACK']]])
            ->assertStatus(422)
            ->json('message'));
    }

    /** @return array<string, mixed> */
    private static function eastOf(int $point, float $metres): array
    {
        return [
            'kind' => 'directionDistance', 'places' => [['pointId' => $point]], 'directions' => [['azimuth' => M_PI_2]],
            'distances' => [['metres' => $metres]],
        ];
    }

    private function point(Project $project, string $name, float $northing, float $easting, ?float $elevation = null): int
    {
        return $this->ask(
            'POST', "/projects/{$project->id}/points",
            ['name' => $name, 'northing' => $northing, 'easting' => $easting, 'elevation' => $elevation],
        )->assertOk()->json('id');
    }

    /** @param  array<string, mixed>  $construction */
    private function preview(Project $project, array $construction): TestResponse
    {
        return $this->ask('POST', "/projects/{$project->id}/constructions-preview", ['construction' => $construction]);
    }

    /**
     * @param  array<string, mixed>  $construction
     * @param  list<array<string, mixed>>  $kept
     * @param  array<string, mixed>  $more
     */
    private function keep(Project $project, array $construction, array $kept, array $more): TestResponse
    {
        return $this->ask('POST', "/projects/{$project->id}/constructions", ['construction' => $construction, 'kept' => $kept] + $more);
    }

    /** @param  array<string, mixed>  $more */
    private function take(Project $project, string $dxf, array $more = []): int
    {
        $task = $this->ask('POST', "/projects/{$project->id}/designs", $more + [
            'upload' => $this->upload($project, $dxf, 'plan.dxf'), 'name' => 'Plan', 'unit' => 'm', 'layers' => ['C'],
            'heights' => 'dropped',
        ])->json('id');

        return $this->ask('GET', "/projects/{$project->id}/tasks/$task")->assertJson(['state' => 'done'])->json('result.designId');
    }
}
