<?php

declare(strict_types=1);

namespace Tests\Feature\Stakeout;

use App\Control\Models\ControlPoint;
use App\Instrument\Http\InstructionResource;
use App\Instrument\Models\Observation;
use App\Instrument\Models\QueuedInstruction;
use App\Projects\Models\Project;
use App\Stakeout\Models\Mark;
use Parlay\Core\Geometry\Position;
use Tests\FeatureTestCase;

/** What is measured to be stored is stored where it arrives, whether the page that asked is still there or not. */
final class MarkOnArrivalTest extends FeatureTestCase
{
    private Project $project;

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        $this->site($this->project);
        $this->setUpInstrument($this->project);
    }

    public function test_a_check_is_stored_without_any_page(): void
    {
        $asked = $this->measured('check', 'D', ['controlId' => $this->control('D')], $this->world->marks['D']);
        $mark = Mark::query()->findOrFail($asked->mark_id);
        self::assertSame(
            ['check', 'D', $this->control('D'), "{$asked->key}-mark"], [$mark->kind, $mark->name, $mark->control_id, $mark->key],
        );
        self::assertSame([$mark->id, null], [InstructionResource::of($asked)->mark?->id, InstructionResource::of($asked)->asks]);
        self::assertCount(1, $this->ask('GET', $this->at('/marks'))->json());
    }

    public function test_a_stake_out_of_tolerance_asks_and_is_stored_when_the_person_says_so(): void
    {
        $point = $this->point();
        $asked = $this->measured('stake', 'P', ['pointId' => $point, 'withoutCheck' => true], new Position(1010.05, 2030.0, 10.0));
        self::assertNull($asked->mark_id);
        $asks = InstructionResource::of($asked)->asks;
        self::assertSame('out_of_tolerance', $asks?->reason);
        self::assertEqualsWithDelta(0.05, $asks->evidence->plan, 0.006);
        self::assertSame(
            [0, 1], [Mark::query()->count(), Observation::query()->where('purpose', 'stake')->count()], 'the reading is in the book',
        );
        $reading = Observation::query()->where('purpose', 'stake')->value('id');
        $body = [
            'key' => "{$asked->key}-mark", 'kind' => 'stake', 'observationId' => $reading, 'pointId' => $point, 'withoutCheck' => true,
        ];
        $this->ask('POST', $this->at('/marks'), $body)->assertStatus(409);
        $this->ask('POST', $this->at('/marks'), $body + ['evenOut' => true])->assertOk()->assertJsonPath('verdict', 'out');
    }

    public function test_before_any_check_it_asks_for_one(): void
    {
        $asked = $this->measured('stake', 'P', ['pointId' => $this->point()], new Position(1010.0, 2030.0, 10.0));
        self::assertSame(['no_check', null], [$asked->asks['reason'] ?? null, $asked->mark_id]);
    }

    public function test_what_can_not_be_stored_says_why_and_the_reading_stays(): void
    {
        $asked = $this->measured('as_built', '', ['withoutCheck' => true], new Position(1010.0, 2030.0, 10.0));
        self::assertSame([null, null], [$asked->asks['reason'] ?? null, $asked->mark_id]);
        self::assertStringContainsString('Give what was built a name', $asked->asks['message'] ?? '');
        self::assertSame(1, Observation::query()->where('purpose', 'as_built')->count());
    }

    public function test_the_same_reading_that_arrives_twice_is_one_mark(): void
    {
        $instruction = $this->wanted('check', 'D', ['controlId' => $this->control('D')]);
        $this->arrives($instruction, $this->world->marks['D']);
        $first = $instruction->mark_id;
        $this->arrives($instruction, $this->world->marks['D']);
        self::assertSame([$first, 1], [$instruction->mark_id, Mark::query()->count()]);
    }

    public function test_a_mark_makes_neither_points_nor_control_old(): void
    {
        $point = $this->point();
        $before = $this->ask('GET', $this->at('/live'))->json();
        $this->measured('check', 'D', ['controlId' => $this->control('D')], $this->world->marks['D']);
        $after = $this->ask('GET', $this->at('/live'))->json();
        self::assertGreaterThan($before['revision'], $after['revision']);
        self::assertSame($before['prepared'], $after['prepared']);
        $this->ask('PUT', $this->at("/points/$point"), ['name' => 'P', 'northing' => 1011.0, 'easting' => 2030.0])->assertOk();
        $moved = $this->ask('GET', $this->at('/live'))->json();
        self::assertSame($moved['revision'], $moved['prepared']);
    }

    /** @param  array<string, mixed>  $mark */
    private function measured(string $purpose, string $sighted, array $mark, Position $tip): QueuedInstruction
    {
        $instruction = $this->wanted($purpose, $sighted, $mark);
        $this->arrives($instruction, $tip);
        $instruction->fill(['project_id' => $this->project->id, 'kind' => 'measure', 'content' => [], 'state' => 'done'])->save();

        return $instruction->refresh();
    }

    /** @param  array<string, mixed>  $mark */
    private function wanted(string $purpose, string $sighted, array $mark): QueuedInstruction
    {
        return $this->instruction($this->project, $purpose, $sighted, ['mark' => $mark]);
    }

    private function point(): int
    {
        return $this
            ->ask('POST', $this->at('/points'), ['name' => 'P', 'northing' => 1010.0, 'easting' => 2030.0, 'elevation' => 10.0])
            ->assertOk()
            ->json('id');
    }

    private function control(string $name): int
    {
        return (int) ControlPoint::of($this->project)->where('name', $name)->value('id');
    }

    private function at(string $path): string
    {
        return "/projects/{$this->project->id}$path";
    }
}
