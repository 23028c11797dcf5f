<?php

declare(strict_types=1);

namespace Tests\Feature\Stakeout;

use App\Control\Models\ControlPoint;
use App\Points\Models\StakeoutPoint;
use App\PrintZone;
use App\Projects\Models\Project;
use App\Reports\Figures;
use App\Setups\Models\Setup;
use App\Stakeout\Models\Mark;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Deviation;
use Parlay\Core\Stakeout\Tolerance;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\FeatureTestCase;

final class FieldTest extends FeatureTestCase
{
    private Project $project;

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        $this->site($this->project);
    }

    public function test_a_setup_is_shown_before_it_is_accepted_and_stored_with_its_evidence(): void
    {
        $ids = ControlPoint::of($this->project)->pluck('id', 'name');
        $one = $this->measure($this->project, 'setup', $this->world->marks['A'], 'A');
        $state = $this
            ->ask('PATCH', $this->at('/setup'), ['sights' => [['controlId' => $ids['A'], 'observationId' => $one->id]]])
            ->assertOk()
            ->json();
        self::assertNull($state['solution']);
        self::assertStringContainsString('at least two', $state['problem']);
        $this->ask('POST', $this->at('/setups'), ['key' => $this->newKey()])->assertStatus(422);
        $this->setUpInstrument($this->project);
        $setup = Setup::current($this->project)->firstOrFail();
        self::assertLessThan(0.005, $setup->position()->distanceTo($this->world->tripod->foot));
        self::assertCount(3, $setup->found()->residuals);
        self::assertSame(['A', 1000.0], [$setup->sights[0]['name'], (float) $setup->sights[0]['northing']]);
    }

    public function test_a_known_backsight_says_that_the_orientation_is_not_checked(): void
    {
        $this->world->standTripod('A', null, 1.55);
        $ids = ControlPoint::of($this->project)->pluck('id', 'name');
        $sight = $this->measure($this->project, 'setup', $this->world->marks['C'], 'C');
        $draft = [
            'method' => 'known_backsight', 'stationControlId' => $ids['A'], 'instrumentHeight' => 1.55, 'pressure' => 1009,
            'temperature' => 18, 'sights' => [['controlId' => $ids['C'], 'observationId' => $sight->id]],
        ];
        $solution = $this->ask('PATCH', $this->at('/setup'), $draft)->assertOk()->json('solution');
        self::assertNull($solution['residuals'][0]['direction']);
        self::assertLessThan(0.01, abs($solution['residuals'][0]['distance']));
        self::assertStringContainsString('cannot be checked', $solution['cautions'][0]);
        $this
            ->ask('PATCH', $this->at('/setup'), ['stationControlId' => $ids['C']] + $draft)
            ->assertOk()
            ->assertJsonPath('solution', null)
            ->assertJsonPath('problem', 'C is the point the instrument stands on. Choose another control point as backsight.');
    }

    public function test_a_check_is_asked_for_before_the_first_mark_and_out_of_tolerance_asks_too(): void
    {
        $this->setUpInstrument($this->project);
        $point = $this->point(1010.0, 2030.0, 10.0);
        $off = $this->measure($this->project, 'stake', new Position(1010.03, 2030.0, 10.0));
        self::assertSame('no_check', $this->mark($off->id, $point)->assertStatus(409)->json('reason'));
        $check = $this->measure($this->project, 'check', $this->world->marks['D'], 'D');
        $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => 'check', 'observationId' => $check->id,
            'controlId' => ControlPoint::of($this->project)->where('name', 'D')->value('id'),
        ])->assertOk()->assertJsonPath('verdict', 'in');
        $asked = $this->mark($off->id, $point)->assertStatus(409);
        self::assertSame('out_of_tolerance', $asked->json('reason'));
        self::assertEqualsWithDelta(0.03, $asked->json('evidence.plan'), 0.004);
        self::assertSame(
            [$this->project->plan_tolerance, $this->project->height_tolerance],
            [(float) $asked->json('evidence.planTolerance'), (float) $asked->json('evidence.heightTolerance')],
        );
        // A code's own tolerance judges, and is the one that is told.
        $this->ask('POST', $this->at('/codes'), ['code' => 'PILE', 'planTolerance' => 0.025, 'heightTolerance' => 0.05])->assertOk();
        StakeoutPoint::query()->whereKey($point)->update(['code' => 'PILE']);
        self::assertSame([0.025, 0.05], [
            $this->mark($off->id, $point)->assertStatus(409)->json('evidence.planTolerance'),
            $this->mark($off->id, $point)->json('evidence.heightTolerance'),
        ]);
        self::assertSame(0, Mark::query()->where('kind', 'stake')->count());
        $this
            ->mark($off->id, $point, ['evenOut' => true])
            ->assertOk()
            ->assertJsonPath('verdict', 'out')
            ->assertJsonPath('planTolerance', 0.025)
            ->assertJsonPath('heightTolerance', 0.05);
    }

    public function test_staking_again_adds_a_record_and_the_later_one_counts(): void
    {
        $this->setUpInstrument($this->project);
        $point = $this->point(1010.0, 2030.0, 10.0);
        foreach ([0.03, 0.0] as $off) {
            $seen = $this->measure($this->project, 'stake', new Position(1010.0 + $off, 2030.0, 10.0));
            $this->mark($seen->id, $point, ['evenOut' => true, 'withoutCheck' => true])->assertOk();
        }
        $listed = $this->ask('GET', $this->at('/points'))->json(0);
        self::assertSame([2, 'in'], [$listed['stakes'], $listed['verdict']]);
        self::assertSame(['out', 'in'], array_column($this->ask('GET', $this->at('/marks'))->json(), 'verdict'));
        self::assertSame([null, 0], array_values($this->ask('POST', $this->at('/next-open'), ['northing' => 1, 'easting' => 2])->json()));
        self::assertSame(0, $this->ask('GET', $this->at(''))->json('progress.out'), 'the earlier one counts no more');
        $task = $this->ask('POST', $this->at('/reports'))->assertOk()->json('id');
        file_put_contents(
            $this->data.'/r.pdf',
            (string) $this->get($this->ask('GET', $this->at("/tasks/$task"))->json('result.file'))->assertOk()->streamedContent(),
        );
        $text = (string) shell_exec('pdftotext -layout '.escapeshellarg($this->data.'/r.pdf').' -');
        self::assertStringContainsString('1 mark counts (1 staked, 0 built): 1 in tolerance, 0 out', $text);
        self::assertMatchesRegularExpression('~replaced\s*$~m', $text);
        self::assertStringContainsString(',replaced,', (string) $this->get('/api/v1'.$this->at('/report.csv'))->streamedContent());
    }

    /** The real wall stands 0.2 m behind its design, and the beam meets it aslant: the mark belongs beside its design along the wall, and the issued design stays on the row. */
    public function test_a_mark_on_a_wall_keeps_the_issued_design_and_says_how_far_it_was_moved(): void
    {
        $this->setUpInstrument($this->project);
        $point = $this->point(1010.0, 2030.0, 10.0);
        $on = $this->measure($this->project, 'stake', new Position(1010.0, 2030.2, 10.0), 'P');
        $wall = ['on' => 'wall', 'wall' => 0.0];
        self::assertStringContainsString('how the wall runs', (string) $this->mark($on->id, $point, ['dot' => ['on' => 'wall'], 'withoutCheck' => true])->assertStatus(422)->json('message'));
        $asked = $this->mark($on->id, $point, ['dot' => $wall, 'withoutCheck' => true])->assertStatus(409)->json();
        self::assertSame('moved_onto_wall', $asked['reason']);
        self::assertEqualsWithDelta(0.2, $asked['evidence']['moved'], 0.005);
        $mark = $this->mark($on->id, $point, ['dot' => $wall, 'withoutCheck' => true, 'evenMoved' => true])->assertOk()->json();
        self::assertEqualsWithDelta([1010.0, 2030.2], [$mark['design']['northing'], $mark['design']['easting']], 0.005);
        self::assertSame([1010.0, 2030.0, 10.0], array_map(floatval(...), [$mark['issued']['northing'], $mark['issued']['easting'], $mark['issued']['elevation']]));
        self::assertEqualsWithDelta(0.2, $mark['movedBy'], 0.005);
        [$head, $row] = array_map(static fn (string $l) => str_getcsv($l, ',', '"', ''), explode("\n", (string) $this->get('/api/v1'.$this->at('/report.csv'))->assertOk()->streamedContent()));
        $row = array_combine($head, $row);
        self::assertSame(['1010.0000', '2030.0000'], [$row['issued northing [m]'], $row['issued easting [m]']]);
        self::assertEqualsWithDelta(0.2, (float) $row['marked beside it by [m]'], 0.005);
        // Of a pair its own line is cut with the wall.
        $through = $this->mark($on->id, $point, ['dot' => $wall + ['through' => M_PI_4], 'withoutCheck' => true, 'evenMoved' => true, 'evenOut' => true])->assertOk()->json();
        self::assertEqualsWithDelta([1010.2, 2030.2], [$through['design']['northing'], $through['design']['easting']], 0.005);
    }

    /** A point staked again goes out once; all of it on request. A mark that was mended stands where the one it mends stood. */
    public function test_only_what_counts_goes_out(): void
    {
        $this->setUpInstrument($this->project);
        $point = $this->point(1010.0, 2030.0, 10.0);
        $marks = [];
        foreach ([0.03, 0.0] as $off) {
            $marks[] = $this->mark($this->measure($this->project, 'stake', new Position(1010.0 + $off, 2030.0, 10.0))->id, $point, ['evenOut' => true, 'withoutCheck' => true])->assertOk()->json('id');
        }
        $out = fn (string $format, string $more = ''): string => (string) $this->get('/api/v1'.$this->at("/points-file?format=$format&what=as-built$more"))->assertOk()->streamedContent();
        foreach (['csv' => "\nP,", 'dxf' => "\nP\n", 'landxml' => 'name="P"', 'geojson' => '"P"'] as $format => $name) {
            self::assertSame(1, substr_count("\n".$out($format), $name), $format);
            self::assertGreaterThan(1, substr_count("\n".$out($format, '&all=1'), $name), $format);
        }
        self::assertMatchesRegularExpression('~P,1010\.03\d*,20(29|30)\.\d*,.*replaced 20~', $out('csv', '&all=1'));
        self::assertMatchesRegularExpression('~P,(1010\.00|1009\.99)\d*,(2030|2029).*,in 20~', $out('csv', '&all=1'));
        // The first of both is mended: the second counts all the same.
        $first = (array) DB::table('marks')->where('id', $marks[0])->first();
        DB::table('marks')->insert(['key' => 'mended-one', 'mends' => $marks[0], 'seq' => 9999] + array_diff_key($first, ['id' => 1]));
        self::assertMatchesRegularExpression('~P,(1010\.00|1009\.99)~', $out('csv'));
        $listed = $this->ask('GET', $this->at('/marks'))->json();
        self::assertSame($marks[1], end($listed)['id']);
    }

    public function test_a_figure_that_rounds_to_its_tolerance_and_is_out_prints_one_more_place(): void
    {
        $figures = new Figures($this->project->units(), PrintZone::utc());
        self::assertSame(['5.0 mm', '5.04 mm', '5.1 mm', '5.02 mm low'], [
            $figures->judged(0.005, 0.005), $figures->judged(0.00504, 0.005), $figures->judged(0.00512, 0.005),
            $figures->judgedHeight(-0.00502, new Tolerance(0.005, 0.005)),
        ]);
        // A hundredth of a millimetre is arithmetic.
        self::assertSame(['in', 'out'], array_map(static fn (float $off) => Deviation::between(
            new Position(0, 0, 0), new Position($off, 0, 0),
        )->verdict(new Tolerance(0.005, 0.005))->value, [0.005009, 0.005011]));
    }

    public function test_the_same_wish_sent_twice_is_stored_once(): void
    {
        $this->setUpInstrument($this->project);
        $point = $this->point(1010.0, 2030.0, 10.0);
        $seen = $this->measure($this->project, 'stake', new Position(1010.0, 2030.0, 10.0));
        $body = [
            'key' => 'one-and-the-same-key', 'kind' => 'stake', 'observationId' => $seen->id, 'pointId' => $point,
            'withoutCheck' => true,
        ];
        $first = $this->ask('POST', $this->at('/marks'), $body)->assertOk()->json('id');
        self::assertSame($first, $this->ask('POST', $this->at('/marks'), $body)->assertOk()->json('id'));
        self::assertSame(1, Mark::query()->count());
    }

    public function test_a_key_of_another_project_is_refused_and_stores_nothing(): void
    {
        $this->setUpInstrument($this->project);
        $seen = $this->measure($this->project, 'as_built', new Position(1010.0, 2030.0, 10.0));
        $body = fn (Project $p, int $observation) => $this->ask(
            'POST', "/projects/{$p->id}/marks",
            ['key' => 'a-key-used-twice', 'kind' => 'as_built', 'name' => 'X', 'observationId' => $observation, 'withoutCheck' => true],
        );
        $body($this->project, $seen->id)->assertOk();
        $other = $this->project();
        $this->site($other);
        $this->setUpInstrument($other);
        $again = $this->measure($other, 'as_built', new Position(1010.0, 2030.0, 10.0));
        self::assertStringContainsString('same name or key', (string) $body($other, $again->id)->assertStatus(422)->json('message'));
        self::assertSame(0, Mark::query()->where('project_id', $other->id)->count());
    }

    public function test_a_stake_keeps_the_design_it_was_staked_to(): void
    {
        $this->setUpInstrument($this->project);
        $point = $this->point(1010.0, 2030.0, 10.0);
        $seen = $this->measure($this->project, 'stake', new Position(1010.0, 2030.0, 10.0));
        $this->mark($seen->id, $point, ['withoutCheck' => true])->assertOk();
        $this
            ->ask('PUT', $this->at("/points/$point"), ['name' => 'P', 'northing' => 1011.0, 'easting' => 2030.0, 'elevation' => 10.0])
            ->assertOk();
        $this->ask('POST', $this->at('/points-deletion'), ['ids' => [$point]]);
        self::assertEqualsWithDelta(1010.0, $this->ask('GET', $this->at('/marks'))->json('0.design.northing'), 1e-9);
    }

    public function test_as_built_is_measured_by_itself_or_against_a_point(): void
    {
        $this->setUpInstrument($this->project);
        $point = $this->point(1010.0, 2030.0, null);
        $seen = $this->measure($this->project, 'as_built', new Position(1010.004, 2030.0, 10.0));
        $shot = fn (array $more) => $this->ask(
            'POST', $this->at('/marks'),
            ['key' => $this->newKey(), 'kind' => 'as_built', 'observationId' => $seen->id, 'withoutCheck' => true] + $more,
        );
        $shot([])->assertStatus(422);
        $shot(['name' => 'Kötter’s "wall"', 'code' => 'WALL'])->assertOk()->assertJsonPath('verdict', 'undecided')->assertJsonPath(
            'deviation', null,
        );
        $against = $shot(['pointId' => $point])->assertOk();
        self::assertNull($against->json('deviation.height'), 'a design without elevation is not judged in height');
    }

    public function test_a_measurement_of_an_earlier_setup_is_refused(): void
    {
        $this->setUpInstrument($this->project);
        $seen = $this->measure($this->project, 'stake', new Position(1010.0, 2030.0, 10.0));
        $this->setUpInstrument($this->project);
        self::assertStringContainsString('earlier setup', (string) $this
            ->mark($seen->id, $this->point(1010.0, 2030.0, 10.0), ['withoutCheck' => true])
            ->assertStatus(422)
            ->json('message'));
    }

    #[DataProvider('bookTables')]
    public function test_the_database_itself_refuses_to_change_the_field_book(string $table): void
    {
        $this->setUpInstrument($this->project);
        $seen = $this->measure($this->project, 'stake', new Position(1010.0, 2030.0, 10.0));
        $this->mark($seen->id, $this->point(1010.0, 2030.0, 10.0), ['withoutCheck' => true])->assertOk();
        self::assertGreaterThan(0, DB::table($table)->count());
        foreach ([static fn () => DB::table($table)->update(['at' => 'x']), static fn () => DB::table($table)->delete()] as $change) {
            try {
                $change();
                self::fail('It was changed.');
            } catch (QueryException $e) {
                self::assertStringContainsString('the field book can only be added to', $e->getMessage());
            }
        }
    }

    public static function bookTables(): array
    {
        return [['observations'], ['setups'], ['marks']];
    }

    public function test_the_field_book_is_written_through_to_the_disk(): void
    {
        self::assertSame(2, (int) DB::scalar('PRAGMA synchronous'), 'FULL');
        self::assertSame('wal', DB::scalar('PRAGMA journal_mode'));
        self::assertSame(1, (int) DB::scalar('PRAGMA foreign_keys'));
        self::assertGreaterThan(0, (int) DB::scalar('PRAGMA busy_timeout'));
    }

    public function test_a_transaction_holds_the_right_to_write_from_its_beginning(): void
    {
        $other = new \PDO("sqlite:{$this->data}/parlay.sqlite");
        $other->exec('PRAGMA busy_timeout = 0');
        $write = static fn () => $other->exec("UPDATE projects SET name = 'written by another'");
        DB::transaction(static function () use ($write): void {
            DB::table('projects')->count();
            try {
                $write();
                self::fail('Another wrote between reading and writing.');
            } catch (\PDOException $e) {
                self::assertStringContainsString('locked', $e->getMessage());
            }
            DB::table('projects')->update(['name' => 'mine']);
        });
        self::assertSame('mine', DB::table('projects')->value('name'));
        self::assertSame(1, $write(), 'afterwards it may');
        try {
            DB::transaction(static function (): void {
                DB::table('projects')->update(['name' => 'not to be kept']);
                throw new \DomainException('no');
            });
        } catch (\DomainException) {
            self::assertSame('written by another', DB::table('projects')->value('name'));
        }
    }

    public function test_the_field_book_tells_the_day_in_order_with_raw_readings(): void
    {
        $this->setUpInstrument($this->project);
        $seen = $this->measure($this->project, 'stake', new Position(1010.0, 2030.0, 10.0), 'P');
        $this->mark($seen->id, $this->point(1010.0, 2030.0, 10.0), ['withoutCheck' => true]);
        $book = $this->ask('GET', $this->at('/field-book'))->assertOk()->json();
        self::assertSame(['stake', 'reading', 'setup', 'reading', 'reading', 'reading'], array_column($book, 'kind'));
        self::assertEqualsWithDelta($seen->slope, $book[0]['reading']['slope'], 1e-12);
        self::assertSame('resection', $book[2]['setup']['setup']['method']);
    }

    public function test_another_projects_setup_ends_this_ones(): void
    {
        $this->setUpInstrument($this->project);
        $other = $this->project();
        $this->site($other);
        $this->setUpInstrument($other);
        self::assertSame('Saltmarsh', $this->ask('GET', $this->at('/live'))->assertOk()->json('elsewhere'));
        self::assertStringContainsString('another project', (string) $this->ask(
            'POST', $this->at('/instrument/measure'),
            ['key' => $this->newKey(), 'purpose' => 'stake', 'pointId' => $this->point(1.0, 2.0, 3.0)],
        )->assertStatus(422)->json('message'));
    }

    public function test_two_instruments_on_two_sites_hold_both_setups_and_each_measures_only_from_its_own(): void
    {
        $this->setUpInstrument($this->project);
        $other = $this->project();
        $this->site($other);
        $this->setUpInstrument($other);
        $second = Setup::current($other)->firstOrFail();
        DB::statement('DROP TRIGGER setups_no_update');
        DB::table('setups')->where('id', $second->id)->update(['serial' => 'SI-0002']);
        $live = fn (): array => $this->ask('GET', $this->at('/live'))->assertOk()->json();
        self::assertSame([null, null], [$live()['elsewhere'], $live()['another']]);
        self::assertTrue(Setup::current($this->project)->firstOrFail()->holds());
        self::assertTrue($second->fresh()->holds());
        DB::table('setups')->where('project_id', $this->project->id)->update(['serial' => 'SI-0009']);
        file_put_contents($this->data.'/instrument.json', json_encode(['status' => ['serial' => 'SI-0001']] + (array) json_decode(
            (string) @file_get_contents($this->data.'/instrument.json'), true,
        )));
        $this->project->unsetRelation('currentSetup');
        self::assertStringContainsString('SI-0009', (string) $this->ask(
            'POST', $this->at('/instrument/measure'),
            ['key' => $this->newKey(), 'purpose' => 'stake', 'pointId' => $this->point(1.0, 2.0, 3.0)],
        )->assertStatus(422)->json('message'));
        self::assertSame('SI-0001', $live()['another']);
    }

    public function test_the_report_is_printed_and_its_table_is_safe_for_a_spreadsheet(): void
    {
        $this->setUpInstrument($this->project);
        $seen = $this->measure($this->project, 'stake', new Position(1010.0, 2030.0, 10.0));
        $this->mark($seen->id, $this->point(1010.0, 2030.0, 10.0, '=cmd|evil'), ['withoutCheck' => true])->assertOk();
        $task = $this->ask('POST', $this->at('/reports'), ['author' => 'A. Näme <b>'])->assertOk()->json('id');
        $file = $this->ask('GET', $this->at("/tasks/$task"))->assertJson(['state' => 'done'])->json('result.file');
        file_put_contents($this->data.'/r.pdf', (string) $this->get($file)->assertOk()->streamedContent());
        $text = (string) shell_exec('pdftotext -layout '.escapeshellarg($this->data.'/r.pdf').' -');
        foreach (['Saltmarsh', 'A. Näme <b>', 'resection', 'ST1', '=cmd|evil', '1010.000 m', 'in tolerance', 'Checked by'] as $expected) {
            self::assertStringContainsString($expected, $text);
        }
        $csv = array_map(
            static fn (string $l) => str_getcsv($l, ',', '"', ''),
            explode("\n", trim((string) $this->get('/api/v1'.$this->at('/report.csv'))->streamedContent())),
        );
        self::assertSame("'=cmd|evil", $csv[1][0]);
        self::assertSame(['1010.0000', '2030.0000', '10.0000'], array_slice($csv[1], 3, 3));
    }

    public function test_an_empty_day_still_gives_a_report(): void
    {
        $task = $this->ask('POST', $this->at('/reports'))->assertOk()->json('id');
        $this->ask('GET', $this->at("/tasks/$task"))->assertJson(['state' => 'done']);
    }

    private function at(string $path): string
    {
        return "/projects/{$this->project->id}$path";
    }

    private function point(float $n, float $e, ?float $z, string $name = 'P'): int
    {
        return $this
            ->ask('POST', $this->at('/points'), ['name' => $name, 'northing' => $n, 'easting' => $e, 'elevation' => $z])
            ->assertOk()
            ->json('id');
    }

    private function mark(int $observation, int $point, array $more = []): TestResponse
    {
        return $this->ask(
            'POST', $this->at('/marks'),
            ['key' => $this->newKey(), 'kind' => 'stake', 'observationId' => $observation, 'pointId' => $point] + $more,
        );
    }
}
