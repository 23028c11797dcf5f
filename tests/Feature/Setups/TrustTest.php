<?php

declare(strict_types=1);

namespace Tests\Feature\Setups;

use App\Control\Models\ControlPoint;
use App\Instrument\Models\Observation;
use App\Setups\Models\Setup;
use Illuminate\Database\QueryException;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;

/** Readings without a link, checks through the day, what is mended afterwards, new control, where to stand, and the sheet. */
final class TrustTest extends SetupTestCase
{
    public function test_a_text_of_raw_observations_gives_the_same_setup_as_the_link(): void
    {
        $this->setUpInstrument($this->project);
        $linked = Setup::current($this->project)->firstOrFail();
        $lines = ['point;hz;v;sd;th'];
        foreach (Observation::query()->where('purpose', 'setup')->get() as $o) {
            $g = static fn (float $r): string => str_replace('.', ',', sprintf('%.6f', rad2deg($r)));
            $sd = str_replace('.', ',', sprintf('%.5f', $o->slope));
            $lines[] = "{$o->sighted};{$g($o->circle)};{$g($o->zenith)};$sd;2,000";
            $lines[] = "{$o->sighted};{$g(fmod($o->circle + M_PI + 2e-5, 2 * M_PI))};{$g(2 * M_PI - $o->zenith + 4e-5)};$sd;2,000";
        }
        $lines[] = 'Z;1;90;10;2';
        $lines[] = 'A;x;90';
        $read = $this->ask('POST', $this->at('/raw-text-preview'), ['text' => implode("\r\n", $lines)])->assertOk()->json();
        self::assertCount(2, $read['problems']);
        self::assertStringContainsString('Line 9: ', $read['problems'][0]);
        self::assertStringContainsString('Line 8: no control point is called “Z”', $read['problems'][1]);
        $sights = array_values(array_filter($read['sights'], static fn (array $s) => $s['controlId'] !== null));
        self::assertSame([1, 1, 1], array_map(static fn (array $s) => $s['rounds']['pairs'], $sights));
        self::assertEqualsWithDelta(-1e-5, $sights[0]['rounds']['collimation'], 1e-8);
        self::assertEqualsWithDelta(2e-5, $sights[0]['rounds']['index'], 1e-8);
        $readings = array_map(static fn (array $s) => [
            'controlId' => $s['controlId'], 'circle' => $s['rounds']['mean']['circle'] - 1e-5,
            'zenith' => $s['rounds']['mean']['zenith'] + 2e-5, 'slope' => $s['rounds']['mean']['slope'],
            'targetHeight' => $s['targetHeight'], 'angleFactor' => $s['rounds']['angleFactor'],
        ], $sights);
        $this->ask('PATCH', $this->at('/setup'), ['sights' => []]);
        $state = $this->ask('POST', $this->at('/readings'), ['key' => 'typed-readings-1', 'readings' => $readings])->assertOk()->json();
        self::assertEqualsWithDelta($linked->northing, $state['solution']['station']['mark']['northing'], 2e-5);
        self::assertEqualsWithDelta($linked->easting, $state['solution']['station']['mark']['easting'], 2e-5);
        self::assertStringContainsString('typed', Observation::query()->latest('id')->firstOrFail()->instrument);
        $this->ask('POST', $this->at('/readings'), ['key' => 'typed-readings-1', 'readings' => $readings])->assertOk();
        self::assertSame(6, Observation::query()->count(), 'the same wish sent twice is kept once');
        $this
            ->ask('POST', $this->at('/readings'), ['key' => 'typed-readings-2', 'readings' => [['circle' => 1, 'zenith' => 4]]])
            ->assertStatus(422);
    }

    public function test_a_list_with_a_slip_in_it_is_found_out_by_the_setup(): void
    {
        $this->setUpInstrument($this->project);
        // The marks stand 1.5 mm off where they are listed: control is said to be known so well.
        ControlPoint::of($this->project)->update(['held_fixed' => false, 'plan_deviation' => 0.0015, 'height_deviation' => 0.0015]);
        $ids = ControlPoint::of($this->project)->pluck('id', 'name');
        $sights = array_map(fn (string $n): array => [
            'controlId' => $ids[$n], 'observationId' => $this->measure($this->project, 'setup', $this->world->marks[$n], $n)->id,
        ], ['A', 'B', 'C', 'D']);
        self::assertNull($this->ask('PATCH', $this->at('/setup'), ['sights' => $sights])->json('explanations'));
        $listed = ControlPoint::listed($this->project)->get();
        foreach ([
            'digit' => 'coordinateDigit', 'neighbours' => 'coordinateDigit', 'zero' => 'coordinateDigit', 'exchanged' => 'exchanged',
            'names' => 'namesExchanged',
        ] as $slip => $cause) {
            $list = explode("\n", trim($this
                ->get("/api/v1/projects/{$this->project->id}/practice-list?slip=$slip&controlId={$ids['B']}")
                ->assertOk()
                ->streamedContent()));
            self::assertCount(5, $list, 'a heading, and the four of the list: no station of a setup');
            foreach (array_slice($list, 1) as $line) {
                [$name, $n, $e, $z] = str_getcsv(trim($line), ',', '"', '');
                ControlPoint::of($this->project)
                    ->where('name', $name)
                    ->update(['northing' => (float) $n, 'easting' => (float) $e, 'elevation' => (float) $z]);
            }
            $why = $this->ask('GET', $this->at('/setup'))->json('explanations.0');
            self::assertSame($cause, $why['cause'], "$slip: {$why['sentence']}");
            self::assertContains('B', $why['sights']);
            $listed->each(fn (ControlPoint $c) => ControlPoint::of($this->project)
                ->whereKey($c->id)
                ->update($c->only(['northing', 'easting', 'elevation'])));
        }
        $this->ask('GET', $this->at("/practice-list?slip=blot&controlId={$ids['B']}"))->assertStatus(422);
        $this->ask('GET', $this->at('/practice-list?slip=digit&controlId=99999'))->assertStatus(422);
    }

    /** It can be accepted, but says nowhere how exact it is: what hangs on it takes its misfit along. */
    public function test_a_setup_whose_sights_do_not_fit_states_no_exactness(): void
    {
        ControlPoint::of($this->project)->where('name', 'C')->update(['northing' => DB::raw('northing + 0.5')]);
        $this->setUpInstrument($this->project);
        $setup = Setup::current($this->project)->firstOrFail();
        $current = $this
            ->ask('GET', $this->at('/setup'))
            ->assertJsonPath('current.passes', false)
            ->assertJsonPath('current.planDeviation', null)
            ->assertJsonPath('current.heightDeviation', null)
            ->json('current');
        self::assertSame($setup->id, $current['id']);
        $station = ControlPoint::of($this->project)->where('name', $setup->station_name)->firstOrFail();
        self::assertGreaterThan(20.0, $setup->found()->unitWeightDeviation);
        self::assertEqualsWithDelta($setup->found()->unitWeightDeviation * $setup->precision()->place(), $station->plan_deviation, 1e-9);
        // New control from it carries the same.
        $shot = $this->measure($this->project, 'control', $this->world->marks['D'], 'N1')->id;
        $new = $this->ask('POST', $this->at('/measured-control'), ['name' => 'N1', 'observationId' => $shot])->assertOk()->json();
        self::assertGreaterThan($station->plan_deviation, $new['planDeviation']);
    }

    public function test_many_setups_are_looked_through_in_as_many_queries_as_one(): void
    {
        $queries = function (): int {
            DB::flushQueryLog();
            DB::enableQueryLog();
            $this->ask('GET', $this->at('/setup-proposals'))->assertOk();

            return count(DB::getQueryLog());
        };
        $this->setUpInstrument($this->project);
        $one = $queries();
        foreach (range(1, 4) as $again) {
            $this->setUpInstrument($this->project);
            $this->check('D');
        }
        self::assertSame($one, $queries());
    }

    public function test_mended_control_is_proposed_to_the_setups_that_rest_on_it(): void
    {
        $this->setUpInstrument($this->project);
        $b = ControlPoint::of($this->project)->where('name', 'B')->firstOrFail();
        $this->ask(
            'PUT', $this->at("/control/{$b->id}"),
            ['name' => 'B', 'northing' => $b->northing + 0.03, 'easting' => $b->easting, 'elevation' => $b->elevation],
        )->assertOk();
        $proposal = $this->ask('GET', $this->at('/setup-proposals'))->assertJsonCount(1)->json(0);
        self::assertGreaterThan(0.003, hypot($proposal['north'], $proposal['east']));
        $this->ask('POST', $this->at('/setup-proposals-adoption'), ['setupIds' => [], 'note' => 'none'])->assertOk()->assertJsonPath(
            'count', 0,
        );
        self::assertSame(1, Setup::query()->count());
    }

    public function test_corrections_can_only_be_added(): void
    {
        $this->setUpInstrument($this->project);
        $id = Observation::query()->firstOrFail()->id;
        $this
            ->ask('POST', $this->at('/corrections'), ['observationId' => $id, 'targetHeight' => 1.9, 'prismConstant' => 0.0, 'note' => 'x'])
            ->assertOk();
        $this->expectException(QueryException::class);
        DB::table('corrections')->update(['target_height' => 1.0]);
    }

    public function test_new_control_carries_both_uncertainties_and_is_averaged(): void
    {
        $this->setUpInstrument($this->project);
        $place = new Position(1020.0, 2040.0, 10.0);
        $once = $this->ask(
            'POST', $this->at('/measured-control'),
            ['observationId' => $this->measure($this->project, 'control', $place, 'N1')->id, 'name' => 'N1'],
        )->assertOk()->json();
        self::assertFalse($once['heldFixed']);
        self::assertGreaterThan(Setup::current($this->project)->firstOrFail()->precision()->northing(), $once['planDeviation']);
        $this->setUpInstrument($this->project);
        $twice = $this->ask(
            'POST', $this->at('/measured-control'),
            ['observationId' => $this->measure($this->project, 'control', $place, 'N1')->id, 'name' => 'N1'],
        )->assertOk()->json();
        self::assertSame($once['id'], $twice['id']);
        self::assertEqualsWithDelta($once['planDeviation'] / M_SQRT2, $twice['planDeviation'], 0.1 * $once['planDeviation']);
        self::assertStringContainsString('mean of 2 shots', $twice['description']);
        $this->ask(
            'POST', $this->at('/measured-control'),
            ['observationId' => $this->measure($this->project, 'control', $place, 'A')->id, 'name' => 'A'],
        )->assertStatus(422);
    }

    public function test_where_to_stand_knows_the_walls(): void
    {
        $dxf = "0\nSECTION\n2\nENTITIES\n0\nLINE\n8\nWALLS\n10\n2040\n20\n1000\n11\n2060\n21\n1040\n0\nENDSEC\n0\nEOF\n";
        $this->ask('POST', $this->at('/designs'), [
            'upload' => $this->upload($this->project, $dxf, 'w.dxf'), 'name' => 'W', 'unit' => 'm', 'layers' => ['WALLS'],
            'heights' => 'dropped',
        ])->assertOk();
        $layer = (int) DB::table('design_layers')->value('id');
        $this->ask('POST', $this->at('/points'), ['name' => 'P', 'northing' => 1010.0, 'easting' => 2030.0]);
        $open = $this->ask('POST', $this->at('/stand-here'), ['northing' => 1010, 'easting' => 2030])->assertOk()->json();
        self::assertSame(['A', 'B', 'C', 'D'], $open['seen']);
        self::assertSame('P', $open['worstName']);
        $walled = $this
            ->ask('POST', $this->at('/stand-here'), ['northing' => 1010, 'easting' => 2030, 'wallLayers' => [$layer]])
            ->assertOk()
            ->json();
        self::assertSame(['C'], $walled['hidden']);
        self::assertGreaterThanOrEqual($open['worst'], $walled['worst']);
        self::assertNotContains('C', $walled['best']);
        $map = $this->ask(
            'POST', $this->at('/stand-map'),
            ['south' => 990, 'west' => 2000, 'step' => 10, 'columns' => 5, 'fromRow' => 0, 'toRow' => 4, 'wallLayers' => [$layer]],
        )->assertOk()->json('values');
        self::assertCount(20, $map);
        self::assertGreaterThan(0, min($map));
        $this->ask(
            'POST', $this->at('/stand-map'),
            ['south' => 990, 'west' => 2000, 'step' => 1, 'columns' => 500, 'fromRow' => 0, 'toRow' => 400],
        )->assertStatus(422);
    }

    public function test_a_setup_is_counted_in_its_project(): void
    {
        $other = $this->project;
        $this->setUpInstrument($other);
        $this->project = $this->project();
        $this->site($this->project);
        $this->setUpInstrument($this->project);
        $setup = Setup::current($this->project)->firstOrFail();
        self::assertSame([2, 1], [$setup->id, $setup->number]);
        self::assertSame('setup 1', ControlPoint::of($this->project)->where('name', 'ST1')->value('source'));
        self::assertSame(1, $this->ask('GET', $this->at(''))->json('setup.number'));
    }

    public function test_a_sheet_tells_its_times_by_the_clock_of_whoever_prints_it(): void
    {
        Carbon::setTestNow('2026-01-31 23:50:00');
        $this->setUpInstrument($this->project);
        $setup = Setup::current($this->project)->firstOrFail();
        foreach (['Pacific/Auckland' => '2026-02-01 12:50 UTC+13:00', 'America/St_Johns' => '2026-01-31 20:20 UTC-03:30', 'UTC' => '2026-01-31 23:50 UTC'] as $zone => $expected) {
            $task = $this->ask('POST', $this->at("/setups/{$setup->id}/sheet"), ['zone' => $zone])->assertOk()->json('id');
            $file = $this->ask('GET', $this->at("/tasks/$task"))->json('result.file');
            file_put_contents($this->data.'/s.pdf', (string) $this->get($file)->assertOk()->streamedContent());
            self::assertStringContainsString("· $expected ·", (string) shell_exec('pdftotext -layout '.escapeshellarg($this->data.'/s.pdf').' -'));
        }
        $refused = $this->ask('POST', $this->at("/setups/{$setup->id}/sheet"), ['zone' => 'Mars/Olympus'])->assertStatus(422)->json('message');
        self::assertStringContainsString('is no time zone', $refused);
        $this->ask('POST', $this->at('/reports'), ['zone' => '../etc'])->assertStatus(422);
        Carbon::setTestNow();
    }

    public function test_the_setup_sheet_is_printed(): void
    {
        $this->setUpInstrument($this->project);
        $setup = Setup::current($this->project)->firstOrFail();
        $task = $this->ask('POST', $this->at("/setups/{$setup->id}/sheet"))->assertOk()->json('id');
        $file = $this->ask('GET', $this->at("/tasks/$task"))->assertJson(['state' => 'done'])->json('result.file');
        file_put_contents($this->data.'/s.pdf', (string) $this->get($file)->assertOk()->streamedContent());
        $text = (string) shell_exec('pdftotext -layout '.escapeshellarg($this->data.'/s.pdf').' -');
        foreach ([
            'Setup 1, ST1', 'resection', '95 % ellipse', 'times as large as they are', 'Readings, as they were taken', '2.000 m',
        ] as $expected) {
            self::assertStringContainsString($expected, $text);
        }
    }
}
