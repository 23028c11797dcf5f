<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Project;
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
        $construction = ['kind' => 'twoDistances', 'places' => [['pointId' => $a], ['pointId' => $b]], 'distances' => [['metres' => 6.0], ['metres' => 8.0]]];
        $made = $this->preview($project, $construction)->assertOk()->json();
        self::assertSame(['A', 'B'], array_column($made['solutions'], 'letter'));
        self::assertEqualsWithDelta([104.8, 203.6, 95.2, 203.6], [$made['solutions'][0]['places'][0]['northing'], $made['solutions'][0]['places'][0]['easting'], $made['solutions'][1]['places'][0]['northing'], $made['solutions'][1]['places'][0]['easting']], 1e-9);
        self::assertSame('Intersection of two distances from A, B, 6.000 m and 8.000 m', $made['description']);
        self::assertSame(2, $project->points()->count(), 'a preview stores nothing');
        $kept = $this->keep($project, $construction, [['letter' => 'B', 'index' => 0]], ['name' => 'C1'])->assertOk()->json();
        self::assertSame([1, 0, ['C1']], [$kept['made'], $kept['standing'], $kept['names']]);
        self::assertSame('C1', $this->preview($project, $construction)->json('solutions.1.places.0.standsAs'));
        self::assertSame([0, 1], array_slice(array_values($this->keep($project, $construction, [['letter' => 'B', 'index' => 0]], ['name' => 'C2'])->json()), 0, 2), 'what stands there is not made twice');
        $this->ask('POST', "/projects/{$project->id}/undo")->assertOk();
        self::assertSame(2, $project->points()->count());
    }

    public function test_what_is_wrong_is_said_with_its_figure_in_the_projects_unit_and_nothing_is_stored(): void
    {
        $project = $this->project('ftin16');
        $construction = ['kind' => 'twoDistances', 'places' => [['northing' => 0, 'easting' => 0], ['northing' => 0, 'easting' => 10]], 'distances' => [['metres' => 4.0], ['metres' => 5.0]]];
        self::assertStringContainsString("miss by 3' 3 3/8\"", (string) $this->preview($project, $construction)->assertStatus(422)->json('message'));
        foreach ([
            [['kind' => 'twoDistances'], 'A place is missing'], [['kind' => 'spiral'], 'must be one of'], [['kind' => 'every', 'chain' => ['places' => [['northing' => 0, 'easting' => 0], ['northing' => 0, 'easting' => 1e6]]], 'distances' => [['metres' => 0.01]]], 'more than 20000 points'],
            [['kind' => 'directionDistance', 'places' => [['pointId' => 999]], 'directions' => [['azimuth' => 1]], 'distances' => [['metres' => 1]]], 'is gone'],
            [['kind' => 'boltCircle', 'places' => [['northing' => 0, 'easting' => 0]], 'count' => 4, 'distances' => [['metres' => 0]]], 'more than 0'],
            [['kind' => 'area', 'chain' => ['places' => [['northing' => 0, 'easting' => 0], ['northing' => 0, 'easting' => 5]], 'closed' => true]], 'encloses nothing'],
        ] as [$bad, $says]) {
            self::assertStringContainsString($says, (string) $this->preview($project, $bad)->assertStatus(422)->json('message'));
        }
        self::assertSame(0, $project->points()->count());
    }

    public function test_bolts_about_every_point_are_named_by_it_and_have_their_elevation_by_rule(): void
    {
        $project = $this->project();
        $ids = array_map(fn (int $i) => $this->point($project, "C\"$i", 100.0 + 6 * $i, 200.0, 3.2), range(1, 24));
        $construction = ['kind' => 'boltRectangle', 'places' => array_map(static fn (int $id) => ['pointId' => $id], $ids), 'count' => 2, 'across' => 2, 'distances' => [['metres' => 0.3], ['metres' => 0.2]], 'directions' => [['azimuth' => 0.3]]];
        $kept = array_map(static fn (int $i) => ['letter' => 'A', 'index' => $i], range(0, 95));
        $elevation = ['rule' => 'difference', 'value' => 0.25, 'from' => ['pointId' => $ids[0]]];
        $names = $this->keep($project, $construction, $kept, ['name' => 'x', 'naming' => 'bySource', 'code' => 'ANCHOR', 'elevation' => $elevation])->assertOk()->json('names');
        self::assertSame(['C"1.1', 'C"1.4', 'C"2.1', 'C"24.4'], [$names[0], $names[3], $names[4], $names[95]]);
        self::assertSame([3.45], $project->points()->where('code', 'ANCHOR')->distinct()->pluck('elevation')->all());
        self::assertSame('There is a point “C"1.1” already. Choose another name or way of naming.', $this->keep($project, ['distances' => [['metres' => 0.31], ['metres' => 0.2]]] + $construction, $kept, ['name' => 'x', 'naming' => 'bySource'])->assertStatus(422)->json('message'));
        self::assertSame(120, $project->points()->count(), 'all of them or none');
    }

    public function test_a_moved_source_proposes_new_places_for_all_that_hangs_on_it_and_moves_nothing_by_itself(): void
    {
        $project = $this->project();
        $a = $this->point($project, 'A', 100.0, 200.0, 5.0);
        $this->keep($project, self::eastOf($a, 10.0), [['letter' => 'A', 'index' => 0]], ['name' => 'B'])->assertOk();
        $b = (int) $project->points()->where('name', 'B')->value('id');
        $this->keep($project, self::eastOf($b, 5.0), [['letter' => 'A', 'index' => 0]], ['name' => 'C', 'elevation' => ['rule' => 'difference', 'value' => -1.0, 'from' => ['pointId' => $a]]])->assertOk();
        self::assertSame([], $this->ask('GET', "/projects/{$project->id}/proposals")->json());
        $this->ask('PUT', "/projects/{$project->id}/points/$a", ['name' => 'A', 'northing' => 101.5, 'easting' => 200.0, 'elevation' => 5.5])->assertOk();
        $proposals = $this->ask('GET', "/projects/{$project->id}/proposals")->assertOk()->json();
        self::assertSame(['B', 'C'], array_column($proposals, 'name'));
        self::assertEqualsWithDelta([101.5, 215.0, 4.5, 1.5], [...array_values($proposals[1]['proposed']), $proposals[1]['distance']], 1e-9);
        self::assertSame(100.0, $project->points()->findOrFail($b)->northing, 'nothing moves before it is told to');
        self::assertSame(2, $this->ask('POST', "/projects/{$project->id}/proposals-adoption", ['ids' => array_column($proposals, 'pointId')])->assertOk()->json('count'));
        self::assertEqualsWithDelta(101.5, $project->points()->findOrFail($b)->northing, 1e-9);
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
        $b = (int) $project->points()->where('name', 'B')->value('id');
        $recipe = $this->ask('GET', "/projects/{$project->id}/points/$b/recipe")->assertOk()->json();
        self::assertSame(['directionDistance', $a, 10], [$recipe['construction']['kind'], $recipe['construction']['places'][0]['pointId'], $recipe['construction']['distances'][0]['metres']]);
        $changed = ['construction' => ['offset' => -2.0] + $recipe['construction'], 'letter' => 'A', 'index' => 0];
        self::assertEqualsWithDelta(102.0, $this->ask('PUT', "/projects/{$project->id}/points/$b/recipe", $changed)->assertOk()->json('northing'), 1e-9);
        self::assertStringContainsString('from itself', (string) $this->ask('PUT', "/projects/{$project->id}/points/$b/recipe", ['construction' => self::eastOf($b, 1.0)])->assertStatus(422)->json('message'));
        // Round about: A from B, where B hangs on A.
        $this->ask('PUT', "/projects/{$project->id}/points/$a/recipe", ['construction' => self::eastOf($b, 1.0)])->assertOk();
        self::assertStringContainsString('computed from itself', implode(' ', array_column($this->ask('GET', "/projects/{$project->id}/proposals")->assertOk()->json(), 'why')));
    }

    public function test_a_revision_that_moves_circles_proposes_their_points_anew(): void
    {
        $project = $this->project();
        $circle = static fn (float $x, float $r = 0.2) => "0\nCIRCLE\n8\nC\n10\n$x\n20\n50\n40\n$r\n";
        $file = static fn (string $entities) => "0\nSECTION\n2\nENTITIES\n{$entities}0\nENDSEC\n0\nEOF\n";
        $first = $this->take($project, $file($circle(10).$circle(20).$circle(30).$circle(40)));
        $layer = (int) DB::table('design_layers')->value('id');
        foreach (range(0, 3) as $i) {
            $this->ask('POST', "/projects/{$project->id}/points", ['name' => "P$i", 'spot' => ['layerId' => $layer, 'shape' => $i, 'kind' => 'centre']])->assertOk();
        }
        $second = $this->take($project, $file($circle(10.25).$circle(20).$circle(30.5)), ['revisesId' => $first, 'revision' => 'B']);
        $proposals = array_column($this->ask('GET', "/projects/{$project->id}/proposals")->assertOk()->json(), null, 'name');
        self::assertSame(['P0', 'P2', 'P3'], array_keys($proposals));
        self::assertEqualsWithDelta([10.25, 30.5], [$proposals['P0']['proposed']['easting'], $proposals['P2']['proposed']['easting']], 1e-9);
        self::assertStringContainsString('Revision “B” of', $proposals['P3']['why']);
        self::assertNull($proposals['P3']['proposed']);
        $this->ask('POST', "/projects/{$project->id}/proposals-adoption", ['ids' => array_column($proposals, 'pointId')])->assertOk()->assertJson(['count' => 2]);
        $recipe = $project->points()->where('name', 'P0')->firstOrFail()->recipe;
        self::assertStringContainsString('revision B', $recipe['description']);
        self::assertSame($second, (int) DB::table('design_layers')->where('id', $recipe['construction']['places'][0]['spot']['layerId'])->value('design_id'));
        foreach (range(1, 2) as $step) {
            $this->ask('POST', "/projects/{$project->id}/undo")->assertOk();
        }
        self::assertSame([], $this->ask('GET', "/projects/{$project->id}/proposals")->json(), 'without the revision nothing has changed');
    }

    /** @return array<string, mixed> */
    private static function eastOf(int $point, float $metres): array
    {
        return ['kind' => 'directionDistance', 'places' => [['pointId' => $point]], 'directions' => [['azimuth' => M_PI_2]], 'distances' => [['metres' => $metres]]];
    }

    private function point(Project $project, string $name, float $northing, float $easting, ?float $elevation = null): int
    {
        return $this->ask('POST', "/projects/{$project->id}/points", ['name' => $name, 'northing' => $northing, 'easting' => $easting, 'elevation' => $elevation])->assertOk()->json('id');
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
        $task = $this->ask('POST', "/projects/{$project->id}/designs", ['upload' => $this->upload($project, $dxf, 'plan.dxf'), 'name' => 'Plan', 'unit' => 'm', 'layers' => ['C'], 'heights' => 'dropped'] + $more)->json('id');

        return $this->ask('GET', "/projects/{$project->id}/tasks/$task")->assertJson(['state' => 'done'])->json('result.designId');
    }
}
