<?php

declare(strict_types=1);

namespace Tests\Feature\Control;

use App\Control\Models\ControlPoint;
use App\Projects\Models\Project;
use Illuminate\Testing\TestResponse;
use Tests\FeatureTestCase;

/** Control that is typed: looked over before it is kept, asked about once, and never kept twice under one name. */
final class TypedControlTest extends FeatureTestCase
{
    private Project $project;

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        foreach ([['A', 1000.0, 2000.0], ['B', 1040.0, 2030.0], ['C', 980.0, 2060.0]] as [$name, $north, $east]) {
            $this->typed($name, $north, $east, 4.0)->assertOk();
        }
    }

    /** @param  array<string, mixed>  $more */
    private function typed(string $name, float $north, float $east, ?float $height, array $more = []): TestResponse
    {
        return $this->ask('POST', "/projects/{$this->project->id}/control", [
            'name' => $name, 'northing' => $north, 'easting' => $east, 'elevation' => $height, ...$more,
        ]);
    }

    public function test_a_mark_far_off_and_without_an_elevation_is_asked_about_and_kept_where_it_is_meant(): void
    {
        $this->typed('D', 61_000.0, 2010.0, null)->assertStatus(409)->assertJsonPath('reason', 'doubtful')
            ->assertJsonPath('message', '“D” lies 59960.000 m from everything else in the project. “D” has no elevation, and all other control has one. '
                .'Look at it once more; kept all the same, it counts as it is typed.');
        self::assertSame(3, ControlPoint::of($this->project)->count(), 'nothing is kept before it is answered');
        $this->typed('D', 61_000.0, 2010.0, null, ['evenDoubtful' => true])->assertOk();
        self::assertSame(61_000.0, ControlPoint::of($this->project)->where('name', 'D')->firstOrFail()->northing);
    }

    public function test_a_second_name_for_one_place_is_asked_about(): void
    {
        $this->typed('A2', 1000.0, 2000.0, 4.0)->assertStatus(409)->assertJsonPath(
            'message', '“A” and “A2” are one place with two names. Look at it once more; kept all the same, it counts as it is typed.',
        );
    }

    /** Whatever is answered to a doubt, it could not be kept. */
    public function test_a_name_that_is_taken_is_said_before_anything_is_asked(): void
    {
        foreach ([[1000.0, 2000.0], [61_000.0, 2010.0]] as [$north, $east]) {
            foreach ([false, true] as $even) {
                $this->typed('A', $north, $east, null, ['evenDoubtful' => $even])->assertStatus(422)
                    ->assertJsonPath('message', 'There is a control point “A” already. Choose another name or change that one.');
            }
        }
        self::assertSame(3, ControlPoint::of($this->project)->count());
    }

    public function test_one_that_only_gets_another_code_is_not_asked_about_again(): void
    {
        $id = $this->typed('D', 61_000.0, 2010.0, null, ['evenDoubtful' => true])->assertOk()->json('id');
        $given = ['name' => 'D', 'northing' => 61_000.0, 'easting' => 2010.0, 'code' => 'PIN'];
        $this->ask('PUT', "/projects/{$this->project->id}/control/$id", $given)->assertOk();
        $this->ask('PUT', "/projects/{$this->project->id}/control/$id", ['northing' => 71_000.0] + $given)->assertStatus(409);
    }
}
