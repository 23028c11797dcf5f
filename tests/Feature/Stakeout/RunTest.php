<?php

declare(strict_types=1);

namespace Tests\Feature\Stakeout;

use App\Instrument\Link;
use App\Instrument\ReadingsIntoBook;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Stakeout\Models\Mark;
use App\Stakeout\Models\Run;
use App\Stakeout\RunDriver;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Parlay\Core\Instrument\LinkLost;
use Parlay\Simulator\StandIn;
use Parlay\Simulator\Surfaces;
use Tests\FeatureTestCase;
use Tests\StandInAtHand;

/** Runs with the red dot and the prism, driven by the link's own code against the stand-in in a time of its own. */
final class RunTest extends FeatureTestCase
{
    private Project $project;

    private StandIn $instrument;

    /** @var list<int> */
    private array $points = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        $this->site($this->project);
        $this->setUpInstrument($this->project);
        $this->measure($this->project, 'check', $this->world->marks['D'], 'D');
        $floor = (float) $this->world->tripod->foot->elevation;
        $this->world->surfaces = new Surfaces($floor, $floor + 7, [], [[1020.0, 2040.0, 0.4], [1024.0, 2046.0, 0.4]]);
        $this->instrument = new StandIn($this->world);
        $this->instrument->haste = 20.0;
        foreach (range(0, 11) as $i) {
            $this->points[] = $this->ask('POST', $this->at('/points'), [
                // Tops of bolts, 150 mm above the slab that is marked.
                'name' => 'K'.intdiv($i, 2).'.'.($i % 2 + 1), 'northing' => 1016.0 + 2 * intdiv($i, 2), 'easting' => 2034.0 + 3 * intdiv($i, 2) + $i % 2,
                'elevation' => $floor + 0.15,
            ])->assertOk()->json('id');
        }
    }

    public function test_a_run_over_anchors_goes_through_by_itself_with_the_skipped_listed_and_done_again(): void
    {
        $run = $this->begin(['tries' => 10, 'wait' => 2.0, 'markSeconds' => 0.0]);
        $this->go();
        $now = $this->latest();
        self::assertSame('ended', $now['state'], $now['why']);
        $states = array_count_values(array_column($now['steps'], 'state'));
        self::assertSame(['no return', 'no return'], array_values(array_filter(array_column($now['steps'], 'why'))));
        self::assertSame([10, 2], [($states['stored'] ?? 0) + ($states['out'] ?? 0), $states['skipped']]);
        self::assertGreaterThan(7, $states['stored'] ?? 0);
        $marks = Mark::query()->where('kind', 'stake')->with('observation')->get();
        self::assertCount(10, $marks);
        foreach ($marks as $m) {
            // Neither height nor constant of the pole: the dot lies on the slab, and only the plan counts.
            self::assertSame([0.0, 0.0, 'red dot'], [
                (float) $m->observation?->target_height, (float) $m->observation?->prism_constant, $m->observation?->target_name,
            ]);
            self::assertSame('plan', $m->judged->value);
            self::assertEqualsWithDelta(-0.15, $m->deviation()?->height, 0.04);
            self::assertLessThan(0.012, $m->deviation()?->plan);
        }
        // The floor is done: the two that gave no return are a run of their own, at one touch.
        if ($this->world->surfaces !== null) {
            $this->world->surfaces->dull = [];
        }
        $this->ask('POST', $this->at('/runs'), [
            'key' => $this->newKey(), 'leader' => 'tablet-a', 'skippedOf' => $run['id'], 'settings' => ['markSeconds' => 0.0, 'withoutCheck' => true],
        ])->assertOk();
        $this->go();
        self::assertSame([['K2.1', 'stored'], ['K4.1', 'stored']], array_map(
            static fn (array $s) => [$s['name'], $s['state'] === 'out' ? 'stored' : $s['state']], $this->latest()['steps'],
        ));
        self::assertSame(12, Mark::query()->where('kind', 'stake')->distinct()->count('point_id'));
    }

    public function test_what_a_run_was_stopped_before_is_run_over_with_what_it_skipped(): void
    {
        $run = $this->begin(['markSeconds' => null]);
        $this->command($run['id'], 'skip')->assertOk();
        $this->command($run['id'], 'stop')->assertOk();
        $again = $this->ask('POST', $this->at('/runs'), [
            'key' => $this->newKey(), 'leader' => 'tablet-a', 'skippedOf' => $run['id'], 'settings' => ['withoutCheck' => true],
        ])->assertOk()->json();
        self::assertSame(array_column($run['steps'], 'name'), array_column($again['steps'], 'name'));
    }

    public function test_it_holds_still_until_the_button_and_can_be_skipped_taken_back_paused_and_stopped(): void
    {
        $run = $this->begin(['markSeconds' => null]);
        $said = [];
        $do = function (string $what) use ($run, &$said): void {
            $said[] = $what;
            $this->command($run['id'], $what)->assertOk();
        };
        $plan = ['mark', 'skip', 'mark', 'back', 'mark', 'pause'];
        $this->go(function () use (&$plan, $do): bool {
            $now = $this->latest();
            if ($now['state'] === 'running' && ($now['steps'][$now['place']]['state'] ?? '') === 'marking' && $plan !== []) {
                $do((string) array_shift($plan));
            }

            return $now['state'] === 'paused';
        });
        $now = $this->latest();
        self::assertSame(['mark', 'skip', 'mark', 'back', 'mark', 'pause'], $said);
        self::assertSame('by hand', $now['steps'][1]['why']);
        self::assertSame([3, 'paused'], [$now['place'], $now['state']]);
        // The third was taken twice: both marks are in the book, the later one counts.
        self::assertSame([1, 0, 2], array_map(fn (int $i) => Mark::query()->where('point_id', $this->points[$i])->count(), [0, 1, 2]));
        $this->command($run['id'], 'resume')->assertOk();
        $this->command($run['id'], 'stop')->assertOk();
        $this->go(static fn () => true);
        $this->command($run['id'], 'mark')->assertStatus(422);
        self::assertSame(3, Mark::query()->where('kind', 'stake')->count());
    }

    public function test_a_lost_link_goes_on_where_it_was(): void
    {
        $this->begin(['markSeconds' => 0.0, 'wait' => 0.5]);
        $lost = 0;
        $this->go(null, static function (StandInAtHand $s) use (&$lost): void {
            // Every so often, whatever it is doing.
            if (++$lost % 41 === 0 && $lost < 400) {
                throw LinkLost::closed();
            }
        });
        $now = $this->latest();
        self::assertSame('ended', $now['state'], $now['why']);
        self::assertSame(10, Mark::query()->where('kind', 'stake')->count());
        self::assertSame(10, Mark::query()->where('kind', 'stake')->distinct()->count('point_id'), 'none twice');
    }

    public function test_another_process_takes_up_what_one_left_and_stores_nothing_twice(): void
    {
        $this->begin(['markSeconds' => 0.0, 'wait' => 0.5]);
        for ($life = 0; $life < 60 && $this->latest()['state'] === 'running'; $life++) {
            $turns = 0;
            try {
                $this->go(null, static function () use (&$turns, $life): void {
                    if (++$turns > 7 + 3 * ($life % 7)) {
                        throw new \RuntimeException('killed');
                    }
                });
            } catch (\RuntimeException $e) {
                self::assertSame('killed', $e->getMessage());
            }
        }
        self::assertSame('ended', $this->latest()['state']);
        self::assertGreaterThan(3, $life, 'it was killed in between');
        self::assertSame([10, 10], [
            Mark::query()->where('kind', 'stake')->count(), Mark::query()->where('kind', 'stake')->distinct()->count('point_id'),
        ]);
    }

    public function test_one_tablet_leads_and_the_other_is_told(): void
    {
        $run = $this->begin(['markSeconds' => null]);
        $this->command($run['id'], 'pause', 'tablet-b')->assertStatus(409)->assertJsonPath('reason', 'led_elsewhere');
        $this->command($run['id'], 'lead', 'tablet-b')->assertOk()->assertJsonPath('leader', 'tablet-b');
        $this->command($run['id'], 'pause')->assertStatus(409);
        $this->command($run['id'], 'pause', 'tablet-b')->assertOk()->assertJsonPath('state', 'paused');
        // What was touched while the run went on is not meant for the next point.
        $this->ask('POST', $this->at("/runs/{$run['id']}/commands"), ['do' => 'skip', 'leader' => 'tablet-b', 'place' => 4])
            ->assertStatus(422)->assertJsonPath('message', 'The run is at K0.1 meanwhile. Look, and touch again.');
    }

    public function test_on_a_wall_all_are_marked_at_one_height_and_the_depth_does_not_count(): void
    {
        $floor = (float) $this->world->tripod->foot->elevation;
        $east = $this->world->tripod->foot->easting + 9.0;
        $this->world->surfaces = new Surfaces($floor, null, [[900.0, $east, 1200.0, $east, $floor, $floor + 6]]);
        $wall = $this->ask('POST', $this->at('/aims'), ['key' => $this->newKey(), 'line' => ['places' => [
            ['northing' => 900.0, 'easting' => $east], ['northing' => 1200.0, 'easting' => $east],
        ]]])->json('id');
        $north = $this->world->tripod->foot->northing;
        $boxes = array_map(fn (int $i) => $this->ask('POST', $this->at('/points'), [
            'name' => "BOX$i", 'northing' => $north + 2 * $i, 'easting' => $east - 0.03, 'elevation' => $floor + 0.4,
        ])->json('id'), [1, 2, 3]);
        $this->begin(['on' => 'wall', 'wallId' => $wall, 'elevation' => $floor + 1.2, 'markSeconds' => 0.0], $boxes);
        $this->go();
        self::assertSame(['stored', 'stored', 'stored'], array_column($this->latest()['steps'], 'state'));
        foreach (Mark::query()->where('kind', 'stake')->get() as $m) {
            self::assertEqualsWithDelta($floor + 1.2, $m->elevation, 0.006);
            self::assertEqualsWithDelta($floor + 1.2, $m->design_elevation, 1e-9);
            self::assertSame(['in', 'plan_and_height'], [$m->verdict, $m->judged->value]);
            self::assertGreaterThan(0.004, abs($m->easting - ($east - 0.03)), 'the wall is not where it was drawn');
            self::assertStringContainsString('marked on the wall as it stands', $m->design_source);
        }
    }

    public function test_a_run_on_the_ceiling_after_one_on_the_floor_marks_the_ceiling(): void
    {
        $floor = (float) $this->world->tripod->foot->elevation;
        $this->begin(['markSeconds' => 0.0], array_slice($this->points, 0, 2));
        // One link for both, as on site.
        $high = $this->ask('POST', $this->at('/points'), ['name' => 'HANGER', 'northing' => 1016.0, 'easting' => 2030.0, 'elevation' => $floor + 7.0])->json('id');
        $begun = false;
        $this->go(function () use ($high, &$begun): bool {
            if (! $begun && $this->latest()['state'] === 'ended') {
                $begun = true;
                $this->begin(['markSeconds' => 0.0], [$high]);
                $this->elsewhere();
            }

            return $begun && $this->latest()['state'] !== 'running';
        });
        self::assertSame('HANGER', $this->latest()['steps'][0]['name']);
        self::assertEqualsWithDelta($floor + 7.0, Mark::query()->where('point_id', $high)->firstOrFail()->elevation, 0.05);
    }

    public function test_with_the_prism_it_turns_from_one_to_the_next_and_waits_for_the_button(): void
    {
        $run = $this->begin(['mode' => 'prism', 'markSeconds' => null], array_slice($this->points, 0, 2));
        $this->go(function (StandInAtHand $s) use ($run): bool {
            $now = $this->latest();
            $at = $now['steps'][$now['place']] ?? null;
            if ($at !== null && $at['state'] === 'marking') {
                $point = StakeoutPoint::of($this->project)->findOrFail($at['pointId'])->position();
                $s->instrument->world->pole->tip = $point;
                $this->command($run['id'], 'mark')->assertOk();
            }

            return $now['state'] !== 'running';
        });
        self::assertSame(['stored', 'stored'], array_column($this->latest()['steps'], 'state'), $this->latest()['why']);
        self::assertSame(2.0, Mark::query()->where('kind', 'stake')->with('observation')->firstOrFail()->observation?->target_height);
    }

    public function test_careless_runs_are_refused(): void
    {
        $begin = fn (array $more) => $this->ask('POST', $this->at('/runs'), array_replace_recursive(
            ['key' => $this->newKey(), 'leader' => 'tablet-a', 'settings' => ['withoutCheck' => true]], $more,
        ));
        $this->ask('POST', $this->at('/runs'), ['key' => $this->newKey(), 'leader' => 'tablet-a', 'pointIds' => $this->points])
            ->assertStatus(409)->assertJsonPath('reason', 'no_check');
        $begin(['pointIds' => []])->assertStatus(422)->assertJsonPath('message', 'Nothing is left to be run over. Choose points, or a list that has some.');
        $begin(['pointIds' => [99999]])->assertStatus(422);
        $begin(['pointIds' => $this->points, 'settings' => ['tries' => 0]])->assertStatus(422);
        $begin(['pointIds' => $this->points, 'settings' => ['wait' => 1e9]])->assertStatus(422);
        $this->begin(['markSeconds' => null]);
        $begin(['pointIds' => $this->points, 'settings' => ['withoutCheck' => true]])->assertStatus(409)->assertJsonPath('reason', 'running');
        $part = $begin(['pointIds' => $this->points, 'from' => 3, 'to' => 6, 'order' => 'out_and_back', 'evenRunning' => true, 'settings' => ['withoutCheck' => true]])
            ->assertOk()->json('steps.*.name');
        self::assertSame(['K1.1', 'K2.1', 'K2.2', 'K1.2'], $part);
        self::assertSame(['stopped', 'running'], Run::query()->orderBy('id')->get()->map(static fn (Run $r) => $r->state->value)->all());
    }

    /**
     * @param  array<string, mixed>  $settings
     * @param  list<int>|null  $points
     * @return array<string, mixed>
     */
    private function begin(array $settings, ?array $points = null): array
    {
        return $this->ask('POST', $this->at('/runs'), [
            'key' => $this->newKey(), 'leader' => 'tablet-a', 'pointIds' => $points ?? $this->points, 'settings' => $settings + ['withoutCheck' => true],
        ])->assertOk()->json();
    }

    private function command(int $run, string $do, string $leader = 'tablet-a'): TestResponse
    {
        $response = $this->ask('POST', $this->at("/runs/$run/commands"), ['do' => $do, 'leader' => $leader]);
        $this->elsewhere();

        return $response;
    }

    /** Lets the link run until the run is over, or the test has seen enough. */
    private function go(?\Closure $enough = null, ?\Closure $play = null): void
    {
        $link = null;
        $turns = 0;
        $hand = new StandInAtHand($this->instrument, function (StandInAtHand $s) use (&$link, &$turns, $enough, $play): void {
            $play !== null && $play($s);
            $over = $enough === null ? ! in_array(Run::query()->latest('id')->value('state')?->value, ['running'], true) : $enough($s);
            if ($over || ++$turns > 4000) {
                $link?->stop();
            }
        });
        $link = new Link($hand, app(ReadingsIntoBook::class), app()->make(RunDriver::class));
        $link->run();
        self::assertLessThan(4000, $turns, 'it came to no end: '.json_encode(array_slice($this->latest()['steps'], 0, 4)).$this->latest()['state']);
    }

    /** Another process writes: what this one wrote itself does not show in the database’s version. */
    private function elsewhere(): void
    {
        $other = new \PDO('sqlite:'.DB::connection()->getDatabaseName());
        $other->exec("UPDATE projects SET revision = revision + 1 WHERE id = {$this->project->id}");
    }

    /** @return array<string, mixed> */
    private function latest(): array
    {
        return $this->ask('GET', $this->at('/runs'))->assertOk()->json('0');
    }

    private function at(string $path): string
    {
        return "/projects/{$this->project->id}$path";
    }
}
