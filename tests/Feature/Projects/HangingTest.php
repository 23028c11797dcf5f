<?php

declare(strict_types=1);

namespace Tests\Feature\Projects;

use App\Control\Models\ControlPoint;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Stakeout\Models\Mark;
use Illuminate\Support\Carbon;
use Illuminate\Testing\TestResponse;
use Parlay\Core\Geometry\Position;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\FeatureTestCase;

/** What refers to a row, and every way in which that row can vanish: nothing ever passes to another row. */
final class HangingTest extends FeatureTestCase
{
    private Project $project;

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        $this->site($this->project);
        $this->setUpInstrument($this->project);
    }

    /** @return iterable<string, array{string, string}> */
    public static function pairs(): iterable
    {
        foreach (['mark', 'worklist', 'recipe'] as $refers) {
            foreach (['undone import', 'deletion', 'deletion done again'] as $vanishes) {
                // A new step of preparation ends what could be done again.
                if ($refers === 'mark' || $vanishes !== 'deletion done again') {
                    yield "a $refers, $vanishes" => [$refers, $vanishes];
                }
            }
        }
    }

    #[DataProvider('pairs')]
    public function test_what_refers_to_a_point_never_passes_to_another(string $refers, string $vanishes): void
    {
        $this->import('R1,1010,2030,10', 'R2,1020,2030,10', 'R3,1030,2030,10');
        $r3 = $this->idOf('R3');
        if ($vanishes === 'deletion done again') {
            $this->ask('POST', $this->at('/points-deletion'), ['ids' => [$r3]])->assertOk();
            $this->ask('POST', $this->at('/undo'))->assertOk();
            self::assertSame($r3, $this->idOf('R3'), 'undo brings the same row back');
        }
        $this->refer($refers, $r3);
        $vanish = fn (array $more): TestResponse => match ($vanishes) {
            'undone import' => $this->ask('POST', $this->at('/undo'), $more),
            'deletion' => $this->ask('POST', $this->at('/points-deletion'), ['ids' => [$r3]] + $more),
            'deletion done again' => $this->ask('POST', $this->at('/redo'), $more),
        };
        if ($refers === 'mark') {
            $asked = $vanish([])->assertStatus(409);
            self::assertSame(['hangs_on_it', ['1 mark made to it: R3 (stake)']], [$asked->json('reason'), $asked->json('evidence.hangs')]);
            self::assertSame($r3, $this->idOf('R3'), 'asked, and nothing done');
        }
        // What makes a worklist or a recipe is a step of its own, which is undone first.
        for ($i = 0; $i < 3 && StakeoutPoint::of($this->project)->where('id', $r3)->exists(); $i++) {
            $vanish(['evenHeld' => true])->assertOk();
        }
        self::assertFalse(StakeoutPoint::of($this->project)->where('id', $r3)->exists());
        $this->import('S1,1040,2030,10', 'S2,1050,2030,10', 'S3,1060,2030,10');
        $points = $this->ask('GET', $this->at('/points'))->json();
        self::assertNotContains($r3, array_column($points, 'id'), 'a number is never given twice');
        self::assertSame([0], array_values(array_unique(array_column($points, 'stakes'))), 'none is staked by another’s mark');
        foreach ($this->ask('GET', $this->at('/worklists'))->json() as $list) {
            self::assertSame([], array_intersect($list['pointIds'], array_column($points, 'id')));
        }
        if ($refers === 'mark') {
            $mark = Mark::query()->sole();
            self::assertSame(
                ['R3', $r3, 1030.0, 'list.csv, line 3'], [$mark->name, $mark->point_id, $mark->design_northing, $mark->design_source],
                'the book keeps its own copy',
            );
        }
    }

    /** @return iterable<string, array{string}> */
    public static function waysControlVanishes(): iterable
    {
        yield 'deleted' => ['delete'];
        yield 'undone' => ['undo'];
        yield 'done again' => ['redo'];
    }

    #[DataProvider('waysControlVanishes')]
    public function test_control_that_setups_and_checks_stand_on_is_not_taken_silently(string $way): void
    {
        $this
            ->ask('POST', $this->at('/control'), ['name' => 'E', 'northing' => 1005.0, 'easting' => 2060.0, 'elevation' => 10.2])
            ->assertOk();
        $id = ControlPoint::of($this->project)->where('name', 'E')->firstOrFail()->id;
        if ($way === 'redo') {
            $this->ask('DELETE', $this->at("/control/$id"))->assertNoContent();
            $this->ask('POST', $this->at('/undo'))->assertOk();
        }
        $seen = $this->measure($this->project, 'check', new Position(1005.0, 2060.0, 10.2), 'E');
        $this->ask(
            'POST', $this->at('/marks'),
            ['key' => $this->newKey(), 'kind' => 'check', 'observationId' => $seen->id, 'controlId' => $id],
        )->assertOk();
        $reading = $this->measure($this->project, 'setup', new Position(1005.0, 2060.0, 10.2), 'E');
        $this->ask('PATCH', $this->at('/setup'), ['sights' => [['controlId' => $id, 'observationId' => $reading->id]]])->assertOk();
        $vanish = fn (bool $even) => match ($way) {
            'delete' => $this->ask('DELETE', $this->at("/control/$id").($even ? '?evenHeld=true' : '')),
            'undo' => $this->ask('POST', $this->at('/undo'), ['evenHeld' => $even]),
            'redo' => $this->ask('POST', $this->at('/redo'), ['evenHeld' => $even]),
        };
        self::assertSame(
            ['1 check shot taken on it: E', 'the setup being made'], $vanish(false)->assertStatus(409)->json('evidence.hangs'),
        );
        self::assertTrue(ControlPoint::of($this->project)->where('id', $id)->exists());
        self::assertLessThan(300, $vanish(true)->status());
        self::assertFalse(ControlPoint::of($this->project)->where('id', $id)->exists());
        $this->ask('POST', $this->at('/control'), ['name' => 'F', 'northing' => 1006.0, 'easting' => 2061.0, 'evenDoubtful' => true])->assertOk();
        self::assertNotSame($id, ControlPoint::of($this->project)->where('name', 'F')->firstOrFail()->id);
        self::assertSame([], array_filter(
            $this->ask('GET', $this->at('/setup'))->json('solution.residuals') ?? [], static fn (array $r) => $r['name'] === 'F',
        ), 'a sight does not pass to other control');
    }

    public function test_control_that_an_accepted_setup_rests_on_says_so(): void
    {
        $a = ControlPoint::of($this->project)->where('name', 'A')->firstOrFail()->id;
        self::assertSame(
            ['1 setup computed from it: setup 1 at ST1'],
            $this->ask('DELETE', $this->at("/control/$a"))->assertStatus(409)->json('evidence.hangs'),
        );
        self::assertTrue(ControlPoint::of($this->project)->where('id', $a)->exists());
    }

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>, string}> */
    public static function changedByTwo(): iterable
    {
        $control = ['name' => 'A', 'northing' => 1000.0, 'easting' => 2000.0, 'elevation' => 10.0];
        yield 'control' => ['/control/{A}', $control, ['northing' => 1000.5] + $control, 'northing'];
        $project = [
            'name' => 'Saltmarsh',
            'units' => ['length' => 'm', 'angle' => 'dms', 'direction' => 'azimuth', 'order' => 'NE', 'station' => '1+000'],
            'planTolerance' => 0.005, 'heightTolerance' => 0.005,
        ];
        yield 'tolerances' => ['', $project, ['planTolerance' => 0.02] + $project, 'planTolerance'];
    }

    /**
     * @param  array<string, mixed>  $seen
     * @param  array<string, mixed>  $change
     */
    #[DataProvider('changedByTwo')]
    public function test_of_two_who_change_one_thing_the_later_is_told(string $path, array $seen, array $change, string $field): void
    {
        $path = $this->at(str_replace('{A}', (string) ControlPoint::of($this->project)->where('name', 'A')->firstOrFail()->id, $path));
        $this->ask('PUT', $path, $change + ['seen' => $seen])->assertOk()->assertJsonPath($field, $change[$field]);
        $told = $this
            ->ask('PUT', $path, [$field => 0.03 + $change[$field]] + $seen + ['seen' => $seen])
            ->assertStatus(422)
            ->json('message');
        self::assertStringContainsString('was changed elsewhere meanwhile. Nothing was overwritten', $told);
        $this->ask('PUT', $path, $change + ['seen' => $change])->assertOk()->assertJsonPath($field, $change[$field]);
    }

    public function test_of_two_who_change_a_figure_of_the_setup_the_later_is_told_and_other_figures_pass(): void
    {
        $this->ask('PATCH', $this->at('/setup'), ['targetHeight' => 1.5, 'seen' => ['targetHeight' => 2.0]])->assertOk();
        $this->ask('PATCH', $this->at('/setup'), ['temperature' => 21, 'seen' => ['temperature' => 18]])->assertOk();
        $this->ask('PATCH', $this->at('/setup'), ['targetHeight' => 1.7, 'seen' => ['targetHeight' => 2.0]])->assertStatus(422);
        self::assertSame([1.5, 21], [
            $this->ask('GET', $this->at('/setup'))->json('draft.targetHeight'),
            (int) $this->ask('GET', $this->at('/setup'))->json('draft.temperature'),
        ]);
    }

    public function test_a_key_sent_again_with_other_content_is_a_conflict_and_not_the_old_answer(): void
    {
        $this->import('R1,1010,2030,10', 'R2,1020,2030,10');
        $seen = $this->measure($this->project, 'stake', new Position(1010.0, 2030.0, 10.0), 'R1');
        $body = [
            'key' => 'one-wish-only', 'kind' => 'stake', 'observationId' => $seen->id, 'pointId' => $this->idOf('R1'),
            'withoutCheck' => true, 'evenOut' => true,
        ];
        $id = $this->ask('POST', $this->at('/marks'), $body)->assertOk()->json('id');
        self::assertSame($id, $this->ask('POST', $this->at('/marks'), $body)->assertOk()->json('id'), 'a lost answer is given again');
        foreach ([
            'pointId' => $this->idOf('R2'), 'kind' => 'as_built', 'name' => 'kerb 1', 'observationId' => $seen->id + 1,
        ] as $field => $other) {
            self::assertSame(
                'key_taken', $this->ask('POST', $this->at('/marks'), [$field => $other] + $body)->assertStatus(409)->json('reason'),
                $field,
            );
        }
        self::assertSame(1, Mark::query()->count());
    }

    public function test_a_reading_booked_for_one_point_is_no_evidence_for_another(): void
    {
        $this->import('R1,1010,2030,10', 'R2,1020,2030,10');
        $seen = $this->measure($this->project, 'stake', new Position(1010.0, 2030.0, 10.0), 'R1');
        $told = $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => 'stake', 'observationId' => $seen->id, 'pointId' => $this->idOf('R2'),
            'withoutCheck' => true, 'evenOut' => true,
        ]);
        self::assertStringContainsString('was taken for “R1”', (string) $told->assertStatus(422)->json('message'));
        self::assertSame(0, Mark::query()->count());
    }

    public function test_the_book_keeps_its_order_and_notes_it_when_the_clock_is_set_back(): void
    {
        $this->measure($this->project, 'as_built', new Position(1010.0, 2030.0, 10.0), 'before');
        $now = Carbon::now('UTC');
        Carbon::setTestNow($now->clone()->subHours(2));
        $this->measure($this->project, 'as_built', new Position(1011.0, 2030.0, 10.0), 'after');
        Carbon::setTestNow();
        $book = $this->ask('GET', $this->at('/field-book'))->json();
        self::assertSame(
            ['after', 'before'], array_column(array_column(array_slice($book, 0, 2), 'reading'), 'sighted'),
            'the order is the book’s own',
        );
        self::assertEqualsWithDelta(-7200, $book[0]['clockJump'], 5);
        self::assertNull($book[1]['clockJump']);
        $order = array_column($book, 'seq');
        rsort($order);
        self::assertSame($order, array_column($book, 'seq'));
        $page = $this->ask('GET', $this->at("/field-book?after={$book[0]['seq']}"))->json();
        self::assertSame($book[1]['seq'], $page[0]['seq']);
    }

    private function refer(string $by, int $point): void
    {
        match ($by) {
            'mark' => $this->ask('POST', $this->at('/marks'), [
                'key' => $this->newKey(), 'kind' => 'stake',
                'observationId' => $this->measure($this->project, 'stake', new Position(1030.0, 2030.0, 10.0), 'R3')->id,
                'pointId' => $point, 'withoutCheck' => true, 'evenOut' => true,
            ])->assertOk(),
            'worklist' => $this->ask('POST', $this->at('/worklists'), ['name' => 'Monday', 'pointIds' => [$point]])->assertOk(),
            'recipe' => $this->ask('POST', $this->at('/constructions'), ['construction' => [
                'kind' => 'directionDistance', 'places' => [['pointId' => $point]], 'directions' => [['azimuth' => 1]],
                'distances' => [['metres' => 5]],
            ], 'kept' => [['letter' => 'A', 'index' => 0]], 'name' => 'P2'])->assertOk(),
        };
    }

    private function import(string ...$rows): void
    {
        $upload = $this->upload($this->project, implode("\n", $rows)."\n", 'list.csv');
        $layout = [
            'separator' => ',', 'decimalMark' => '.', 'skip' => 0, 'columns' => ['name', 'northing', 'easting', 'elevation'],
            'unit' => 'm',
        ];
        $this->ask('POST', $this->at('/points-import'), ['upload' => $upload, 'layout' => $layout, 'target' => 'points'])->assertOk();
    }

    private function idOf(string $name): int
    {
        return StakeoutPoint::of($this->project)->where('name', $name)->firstOrFail()->id;
    }

    private function at(string $path): string
    {
        return "/projects/{$this->project->id}$path";
    }
}
