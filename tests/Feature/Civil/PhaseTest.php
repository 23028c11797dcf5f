<?php

declare(strict_types=1);

namespace Tests\Feature\Civil;

use App\Civil\CivilChoices;
use App\Designs\Models\Design;
use App\Projects\Models\Project;
use Illuminate\Support\Facades\DB;
use Tests\FeatureTestCase;

/** Drawing, model, surface and alignment belong together under a name and are switched together. */
final class PhaseTest extends FeatureTestCase
{
    private Project $project;

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        foreach (['finished', 'below', 'paper'] as $name) {
            $dxf = "0\nSECTION\n2\nENTITIES\n0\nLINE\n8\nA\n10\n2000\n20\n1000\n11\n2010\n21\n1000\n0\nENDSEC\n0\nEOF\n";
            $task = $this->ask('POST', $this->at('/designs'), [
                'upload' => $this->upload($this->project, $dxf, "$name.dxf"), 'name' => $name, 'unit' => 'm', 'layers' => ['A'], 'heights' => 'dropped',
            ])->json('id');
            $this->ask('GET', $this->at("/tasks/$task"))->assertJson(['state' => 'done']);
        }
        $model = $this->ask('POST', $this->at('/models'), [
            'upload' => $this->upload($this->project, (string) file_get_contents(base_path('database/demo/files/saltmarsh-yard-civil.xml')), 'm.xml'),
            'name' => '', 'unit' => 'm', 'exchanged' => false, 'alignments' => [0], 'surfaces' => [0, 1], 'lines' => false,
        ])->json('id');
        $this->ask('GET', $this->at("/tasks/$model"))->assertJson(['state' => 'done']);
    }

    private function at(string $path): string
    {
        return "/projects/{$this->project->id}$path";
    }

    /** @return array<string, int> */
    private function ids(string $path): array
    {
        return array_column($this->ask('GET', $this->at($path))->json(), 'id', 'name');
    }

    /** @param  array<string, string>  $roles  of drawings by name; active is one of them */
    private function show(string $active, array $roles, int $surface, float $offset, bool $alignment): void
    {
        foreach ($this->ids('/designs') as $name => $id) {
            $this->ask('PUT', $this->at("/designs/$id"), ['name' => $name, 'role' => $roles[$name] ?? 'design', 'active' => $name === $active])->assertNoContent();
        }
        $choices = ['surfaceId' => $surface, 'verticalOffset' => $offset] + (array) $this->ask('GET', $this->at(''))->json('civil');
        $this->ask('PUT', $this->at('/civil'), $choices)->assertNoContent();
        $line = array_values($this->ids('/alignments'))[0];
        $this->ask('PATCH', $this->at("/alignments/$line"), ['visible' => $alignment])->assertSuccessful();
    }

    /** @return array{string|null, list<string>, int|null, float, bool} active drawing, backgrounds, surface, offset, alignment shown */
    private function shown(): array
    {
        $designs = $this->ask('GET', $this->at('/designs'))->collect();
        $civil = $this->ask('GET', $this->at(''))->json('civil');

        return [
            $designs->firstWhere('active', true)['name'] ?? null, $designs->where('role', 'background')->pluck('name')->sort()->values()->all(),
            $civil['surfaceId'], (float) $civil['verticalOffset'], (bool) DB::table('alignments')->where('project_id', $this->project->id)->value('visible'),
        ];
    }

    public function test_one_touch_switches_all_that_belongs_together(): void
    {
        [$one, $two] = array_values($this->ids('/surfaces'));
        $this->show('finished', ['paper' => 'background'], $one, 0.0, true);
        $finished = $this->ask('POST', $this->at('/phases'), ['name' => 'Finished'])->assertOk()->assertJson(['name' => 'Finished', 'surfaceId' => $one, 'current' => true])->json('id');
        $kept = $this->shown();
        $this->show('below', ['finished' => 'background'], $two, -0.35, false);
        $below = $this->ask('POST', $this->at('/phases'), ['name' => 'Below'])->assertOk()->json('id');
        $other = $this->shown();
        self::assertNotSame($kept, $other);
        self::assertSame([false, true], array_column($this->ask('GET', $this->at('/phases'))->json(), 'current'));

        $this->ask('POST', $this->at("/phases/$finished/switching"))->assertOk()->assertJson(['current' => true]);
        self::assertSame($kept, $this->shown());
        self::assertSame([true, false], array_column($this->ask('GET', $this->at('/phases'))->json(), 'current'));
        $this->ask('POST', $this->at("/phases/$below/switching"))->assertOk();
        self::assertSame($other, $this->shown());
        // Whoever changes something by hand stands in neither.
        $this->ask('PUT', $this->at('/civil'), ['verticalOffset' => 0.1] + (array) $this->ask('GET', $this->at(''))->json('civil'))->assertNoContent();
        self::assertSame([false, false], array_column($this->ask('GET', $this->at('/phases'))->json(), 'current'));
    }

    public function test_what_came_later_stays_and_what_is_gone_is_said(): void
    {
        [$one, $two] = array_values($this->ids('/surfaces'));
        $this->show('finished', ['paper' => 'background'], $one, 0.0, true);
        $finished = $this->ask('POST', $this->at('/phases'), ['name' => 'Finished'])->assertOk()->json('id');
        $points = array_map(fn (int $i) => $this->ask('POST', $this->at('/points'), ['name' => "S$i", 'northing' => 1000.0 + 10 * ($i % 2), 'easting' => 2000.0 + 10 * intdiv($i, 2), 'elevation' => 5.0])->assertOk()->json('id'), [0, 1, 2, 3]);
        $later = $this->ask('POST', $this->at('/surfaces'), ['name' => 'Later', 'kind' => 'design', 'pointIds' => $points])->assertOk()->json('id');
        $this->ask('POST', $this->at("/phases/$finished/switching"))->assertOk()->assertJson(['current' => true]);
        self::assertTrue((bool) DB::table('surfaces')->where('id', $later)->value('visible'));

        $this->ask('DELETE', $this->at("/surfaces/$one"))->assertSuccessful();
        $before = $this->shown();
        $this->ask('POST', $this->at("/phases/$finished/switching"))->assertStatus(422)
            ->assertJson(['message' => 'The surface of the phase “Finished” was removed. Undo that, or show what belongs to the phase now and keep it under its name again.']);
        self::assertSame($before, $this->shown(), 'nothing of it was switched');
        $this->ask('POST', $this->at('/undo'))->assertOk();
        $this->ask('POST', $this->at("/phases/$finished/switching"))->assertOk();
        self::assertSame($one, CivilChoices::of($this->project->refresh())->surfaceId);
        self::assertSame('finished', Design::of($this->project)->findOrFail($this->project->active_design_id)->name);
        self::assertNotSame($two, $one);
    }

    public function test_a_drawing_that_was_removed_while_it_was_worked_with_belongs_to_no_phase(): void
    {
        [$one] = array_values($this->ids('/surfaces'));
        $this->show('finished', [], $one, 0.0, true);
        $this->ask('DELETE', $this->at("/designs/{$this->ids('/designs')['finished']}"))->assertSuccessful();
        $id = $this->ask('POST', $this->at('/phases'), ['name' => 'Bare'])->assertOk()->assertJson(['designId' => null, 'current' => true])->json('id');
        $this->ask('POST', $this->at("/phases/$id/switching"))->assertOk()->assertJson(['designId' => null, 'current' => true]);
    }

    public function test_a_drawing_that_was_revised_stands_in_the_phase_where_the_old_one_did(): void
    {
        [$one, $two] = array_values($this->ids('/surfaces'));
        $this->show('finished', ['paper' => 'background'], $one, 0.0, true);
        $finished = $this->ask('POST', $this->at('/phases'), ['name' => 'Finished'])->assertOk()->json('id');
        foreach ([1, 2] as $revision) {
            $old = $this->project->refresh()->active_design_id;
            $dxf = "0\nSECTION\n2\nENTITIES\n0\nLINE\n8\nA\n10\n2000\n20\n100$revision\n11\n2010\n21\n1000\n0\nENDSEC\n0\nEOF\n";
            $task = $this->ask('POST', $this->at('/designs'), [
                'upload' => $this->upload($this->project, $dxf, 'finished.dxf'), 'name' => 'finished', 'unit' => 'm', 'layers' => ['A'], 'heights' => 'dropped', 'revisesId' => $old,
            ])->json('id');
            $this->ask('GET', $this->at("/tasks/$task"))->assertJson(['state' => 'done']);
        }
        $newest = $this->project->refresh()->active_design_id;
        self::assertSame([true], array_column($this->ask('GET', $this->at('/phases'))->json(), 'current'));
        $this->show('below', [], $two, 0.0, true);
        $this->ask('POST', $this->at("/phases/$finished/switching"))->assertOk()->assertJson(['designId' => $newest, 'current' => true]);
        self::assertSame($newest, $this->project->refresh()->active_design_id);
    }

    public function test_a_name_that_is_taken_is_asked_about(): void
    {
        [$one, $two] = array_values($this->ids('/surfaces'));
        $this->show('finished', [], $one, 0.0, true);
        $id = $this->ask('POST', $this->at('/phases'), ['name' => 'Ü "1"'])->assertOk()->json('id');
        $this->show('below', [], $two, 0.0, true);
        $this->ask('POST', $this->at('/phases'), ['name' => 'Ü "1"'])->assertStatus(409)->assertJson(['reason' => 'phase_exists']);
        $this->ask('POST', $this->at('/phases'), ['name' => 'Ü "1"', 'again' => true])->assertOk()->assertJson(['id' => $id, 'surfaceId' => $two]);
        foreach (['', " \n "] as $name) {
            $this->ask('POST', $this->at('/phases'), ['name' => $name])->assertStatus(422);
        }
        $other = $this->project();
        $this->ask('POST', "/projects/{$other->id}/phases/$id/switching")->assertNotFound();
        $this->ask('DELETE', "/projects/{$other->id}/phases/$id")->assertNotFound();
        $this->ask('DELETE', $this->at("/phases/$id"))->assertNoContent();
        self::assertSame([], $this->ask('GET', $this->at('/phases'))->json());
        self::assertSame(0, DB::table('phase_members')->count());
        // With nothing at all in it, a project has phases too.
        $this->ask('POST', "/projects/{$other->id}/phases", ['name' => 'bare'])->assertOk()->assertJson(['designId' => null, 'surfaceId' => null, 'current' => true]);
    }
}
