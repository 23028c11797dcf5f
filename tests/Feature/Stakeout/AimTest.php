<?php

declare(strict_types=1);

namespace Tests\Feature\Stakeout;

use App\Civil\CivilLay;
use App\Clock;
use App\Control\Models\ControlPoint;
use App\Instrument\Http\InstructionResource;
use App\Instrument\LiveState;
use App\Instrument\LiveStatus;
use App\Instrument\Models\Observation;
use App\Instrument\Models\QueuedInstruction;
use App\Projects\Models\Project;
use App\Stakeout\Aimed;
use App\Stakeout\Models\KeptAim;
use App\Stakeout\Models\Mark;
use App\Typed\InvalidValues;
use App\Typed\Values;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;
use Parlay\Simulator\StandIn;
use Tests\FeatureTestCase;

/** Spots, lines and elevations chosen in the field, from the touch to the report. */
final class AimTest extends FeatureTestCase
{
    private Project $project;

    private int $layer;

    /** @var resource|null the sign of whoever holds the link */
    private $held = null;

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        $this->site($this->project);
        $this->layer = $this->draw(self::drawing(10.0), []);
    }

    public function test_a_corner_touched_is_staked_under_the_next_name_of_its_series_and_keeps_where_it_comes_from(): void
    {
        $this->setUpInstrument($this->project);
        $aim = $this->take(['place' => ['spot' => ['layerId' => $this->layer, 'shape' => 0, 'kind' => 'end', 'withLayerId' => $this->layer, 'withShape' => 1]]]);
        self::assertSame(['spot', 'corner, line on KERB', 'S', null], [$aim['kind'], $aim['name'], $aim['series'], $aim['line']]);
        self::assertEqualsWithDelta([1010.0, 2040.0, 10.0], [$aim['place']['northing'], $aim['place']['easting'], $aim['place']['elevation']], 1e-9);
        self::assertStringContainsString('layer KERB', $aim['source']);
        $names = [];
        foreach ([0.001, -0.002] as $off) {
            $mark = $this->staked($aim, new Position(1010.0 + $off, 2040.0, 10.0));
            $names[] = $mark->name;
        }
        self::assertSame(['S1', 'S2'], $names);
        self::assertSame(['stake', $aim['key'], null, 'in'], [$mark->kind, $mark->aim_key, $mark->point_id, $mark->verdict]);
        self::assertMatchesRegularExpression('~^Corner .*KERB.* of kerb\.dxf~', $mark->design_source);
        // The same corner touched again, anywhere near it, is the same target.
        $again = $this->take(['place' => ['spot' => [
            'layerId' => $this->layer, 'shape' => 0, 'kind' => 'end', 'withLayerId' => $this->layer, 'withShape' => 1, 'nearNorthing' => 1010.3,
            'nearEasting' => 2039.8,
        ]]]);
        self::assertSame($aim['id'], $again['id']);
    }

    public function test_a_place_staked_again_counts_once_and_a_key_carries_one_target_only(): void
    {
        $this->setUpInstrument($this->project);
        $line = $this->line();
        $place = $this->ask('POST', $this->at("/aims/{$line['id']}/places"), ['key' => $this->newKey(), 'version' => 1, 'way' => 'at', 'distance' => 10.0])->json(0);
        foreach ([0.001, 0.002] as $off) {
            $this->staked($place, new Position(1010.0 + $off, 2010.0, 10.0));
        }
        $this->staked($line, new Position(1010.0, 2010.0, 10.0));
        $this->staked($line, new Position(1010.0, 2011.0, 10.0));
        $csv = array_map(static fn (string $l) => str_getcsv($l, ',', '"', ''), explode("\n", trim(
            (string) $this->get('/api/v1'.$this->at('/report.csv'))->assertOk()->streamedContent(), "\u{FEFF}\n",
        )));
        $counts = array_map(static fn (array $row) => array_combine($csv[0], $row)['counts'], array_slice($csv, 1));
        self::assertSame(['replaced', 'yes', 'yes', 'yes'], $counts);
        $reading = $this->measure($this->project, 'stake', new Position(1010.0, 2012.0, 10.0), $line['name']);
        $body = ['key' => $this->newKey(), 'observationId' => $reading->id, 'kind' => 'stake', 'aimId' => $line['id'], 'aimVersion' => 1, 'withoutCheck' => true];
        $stored = $this->ask('POST', $this->at('/marks'), $body)->assertOk()->json('id');
        self::assertSame($stored, $this->ask('POST', $this->at('/marks'), $body)->assertOk()->json('id'));
        $this->ask('POST', $this->at('/marks'), ['aimId' => $place['id']] + $body)->assertStatus(409);
    }

    public function test_a_line_is_staked_beside_its_parallel_and_every_figure_reaches_book_and_table(): void
    {
        $this->setUpInstrument($this->project);
        $line = $this->line();
        self::assertSame(['line', 'KERB line', 2, false], [$line['kind'], $line['name'], $line['line']['pieces'], $line['line']['closed']]);
        self::assertEqualsWithDelta([60.0, 2000.0], [$line['line']['length'], $line['line']['start']['easting']], 1e-9);
        // Touched nearer to its other end, it starts there.
        $line = $this->change($line, ['lay' => ['reversed' => true]]);
        self::assertEqualsWithDelta(1030.0, $line['line']['start']['northing'], 1e-9);
        $line = $this->change($line, ['lay' => [
            'parallels' => [['offset' => 0.0], ['offset' => -0.15, 'verticalOffset' => 0.1, 'name' => 'back of kerb']], 'parallel' => 1,
        ]]);
        self::assertSame('KERB line, back of kerb', $line['name']);
        $mark = $this->staked($line, new Position(1010.148, 2013.0, 10.099));
        $aimed = $mark->aimed();
        self::assertEqualsWithDelta([13.0, 0.002, -0.15, 0.1], [$aimed?->along, $aimed?->offset, $aimed?->parallel, $aimed?->verticalOffset], 0.004);
        self::assertEqualsWithDelta([1010.15, 10.1], [$mark->design_northing, $mark->design_elevation], 1e-9);
        self::assertSame(['L1', 'in'], [$mark->name, $mark->verdict]);
        $entry = $this->ask('GET', $this->at('/marks'))->json(0);
        self::assertSame(['line', 'back of kerb', 'beside'], [$entry['aimed']['kind'], $entry['aimed']['parallelName'], $entry['aimed']['reach']]);

        $csv = array_map(static fn (string $l) => str_getcsv($l, ',', '"', ''), explode("\n", trim(
            (string) $this->get('/api/v1'.$this->at('/report.csv'))->assertOk()->streamedContent(), "\u{FEFF}\n",
        )));
        $row = array_combine($csv[0], $csv[1]);
        self::assertSame(['KERB line', 'back of kerb', 'plan and height', '1'], [$row['target'], $row['parallel'], $row['judged'], $row['piece']]);
        self::assertEqualsWithDelta(13.0, (float) $row['distance along [m]'], 0.004);
    }

    public function test_what_is_changed_while_it_is_measured_is_not_stored_against_the_other(): void
    {
        $this->setUpInstrument($this->project);
        $line = $this->line();
        $wish = $this->wish($line);
        $this->change($line, ['lay' => ['parallels' => [['offset' => 0.0], ['offset' => 3.0]], 'parallel' => 1]]);
        $asked = $this->arrived($wish, new Position(1010.0, 2020.0, 10.0));
        self::assertNull($asked->mark_id);
        self::assertStringContainsString('was changed after this was measured', $asked->asks['message'] ?? '');
        self::assertSame(1, Observation::query()->where('purpose', 'stake')->count(), 'the reading is in the book');
        // And in two tabs the later one is told.
        $this->ask('PATCH', $this->at("/aims/{$line['id']}"), ['version' => $line['version'], 'lay' => []])->assertStatus(422)
            ->assertJsonPath('message', '“KERB line” was changed elsewhere meanwhile. It is shown as it is now; make your change again.');
    }

    public function test_the_live_answer_leads_to_points_lines_and_elevations_alike(): void
    {
        $this->setUpInstrument($this->project);
        $this->seen(new Position(1009.7, 2030.0, 9.9));
        $line = $this->line();
        $elevation = $this->take(['elevation' => 10.05]);
        $live = fn (array $query) => $this->ask('GET', $this->at('/live?'.http_build_query($query)))->assertOk()->json();

        $beside = $live(['aim' => $line['id']]);
        self::assertSame([$line['id'], $line['version'], 'beside'], [$beside['aim'], $beside['aimVersion'], $beside['designed']['on']['reach']]);
        self::assertEqualsWithDelta([30.0, 0.3, 0.3], [
            $beside['designed']['on']['along'], $beside['designed']['on']['offset'], $beside['guidance']['distance'],
        ], 0.01);
        self::assertEqualsWithDelta([0.0, -0.3], [$beside['guidance']['ahead'], $beside['guidance']['aside']], 0.01);

        $high = $live(['aim' => $elevation['id'], 'by' => $line['id']]);
        self::assertSame(['height', 'out'], [$high['judged'], $high['guidance']['verdict']]);
        self::assertEqualsWithDelta([0.15, 0.0, 30.0], [$high['guidance']['raise'], $high['guidance']['distance'], $high['by']['along']], 0.01);
        self::assertSame('height', $live(['aim' => $elevation['id'], 'judged' => 'plan'])['judged'], 'an elevation has no plan to be in by');

        $point = $this->ask('POST', $this->at('/points'), ['name' => 'P', 'northing' => 1009.7, 'easting' => 2030.0, 'elevation' => 14.0])->json('id');
        self::assertSame('out', $live(['target' => $point])['guidance']['verdict']);
        self::assertSame('in', $live(['target' => $point, 'judged' => 'plan'])['guidance']['verdict']);
        $this->ask('POST', $this->at('/codes'), ['code' => 'HANGER', 'judged' => 'plan'])->assertOk();
        $this->ask('PUT', $this->at("/points/$point"), ['name' => 'P', 'northing' => 1009.7, 'easting' => 2030.0, 'elevation' => 14.0, 'code' => 'HANGER'])->assertOk();
        self::assertSame(['plan', 'in'], [$live(['target' => $point])['judged'], $live(['target' => $point])['guidance']['verdict']], 'as its code says');
    }

    public function test_places_along_a_line_are_targets_named_by_line_and_distance(): void
    {
        $line = $this->line();
        $places = fn (array $body) => $this->ask('POST', $this->at("/aims/{$line['id']}/places"), ['key' => $this->newKey(), 'version' => $line['version']] + $body);
        $one = $places(['way' => 'at', 'distance' => 12.5, 'offset' => -0.25])->assertOk()->json(0);
        self::assertSame(['place', 'KERB line 12.500 m 0.250 m left', $line['id']], [$one['kind'], $one['name'], $one['lineId']]);
        self::assertEqualsWithDelta([1010.25, 2012.5, 10.0], [$one['place']['northing'], $one['place']['easting'], $one['place']['elevation']], 1e-9);
        self::assertSame(['KERB line 0.000 m', 'KERB line 25.000 m', 'KERB line 50.000 m', 'KERB line 60.000 m'], array_column($places(['way' => 'every', 'interval' => 25.0])->json(), 'name'));
        self::assertCount(5, $places(['way' => 'parts', 'parts' => 4])->json());
        self::assertSame(['KERB line 0.000 m', 'KERB line 40.000 m', 'KERB line 60.000 m'], array_column($places(['way' => 'main'])->json(), 'name'));
        $places(['way' => 'every', 'interval' => 0.0])->assertStatus(422);
        $places(['way' => 'every', 'interval' => 0.0001])->assertStatus(422);
        $spot = $this->take(['place' => ['northing' => 1.0, 'easting' => 2.0]]);
        $this->ask('POST', $this->at("/aims/{$spot['id']}/places"), ['key' => $this->newKey(), 'version' => 1, 'way' => 'main'])
            ->assertStatus(422)->assertJsonPath('message', 'Touch a line first.');
        // Sent again, they are the same ones.
        $key = $this->newKey();
        $twice = fn () => $this->ask('POST', $this->at("/aims/{$line['id']}/places"), ['key' => $key, 'version' => $line['version'], 'way' => 'main'])->json('*.id');
        self::assertSame($twice(), $twice());
    }

    public function test_lines_between_points_and_of_the_grid_and_several_corners_in_the_order_touched(): void
    {
        $a = $this->ask('POST', $this->at('/points'), ['name' => 'P 1', 'northing' => 1000.0, 'easting' => 2000.0, 'elevation' => 10.0])->json('id');
        $control = (int) ControlPoint::of($this->project)->where('name', 'B')->value('id');
        $between = $this->take(['line' => ['places' => [['pointId' => $a], ['controlId' => $control]]]]);
        self::assertSame('P 1 to B', $between['name']);
        self::assertEqualsWithDelta(hypot(60.0, 15.0), $between['line']['length'], 1e-9);
        $piece = fn (int $shape) => ['line' => ['shapes' => [['layerId' => $this->layer, 'shape' => $shape]], 'whole' => true], 'corners' => true];
        $arc = $this->take($piece(2));
        $this->take($piece(0));
        $this->take($piece(2));
        $corners = array_filter($this->ask('GET', $this->at('/aims'))->json(), static fn (array $x) => $x['kind'] === 'place');
        self::assertSame(
            ['KERB arc 0.000 m', 'KERB arc 15.708 m', 'KERB line 0.000 m', 'KERB line 40.000 m', 'KERB line 60.000 m'], array_column($corners, 'name'),
        );
        self::assertEqualsWithDelta(5 * M_PI, $arc['line']['length'], 1e-9);
    }

    public function test_what_is_taken_again_under_its_key_is_the_same_and_another_thing_is_told(): void
    {
        $key = $this->newKey();
        $take = fn (array $body) => $this->ask('POST', $this->at('/aims'), ['key' => $key] + $body);
        $whole = ['place' => ['northing' => 1010.0, 'easting' => 2030.0, 'elevation' => 10.0]];
        $first = $take($whole)->assertOk()->json('id');
        self::assertSame($first, $take($whole)->assertOk()->json('id'), 'a lost answer is given again, whole metres too');
        $take(['elevation' => 4.0])->assertStatus(409);
        self::assertCount(1, $this->aims());
    }

    public function test_careless_lines_are_refused_with_what_would_do(): void
    {
        $take = fn (array $body) => $this->ask('POST', $this->at('/aims'), ['key' => $this->newKey()] + $body);
        $same = ['northing' => 5.0, 'easting' => 5.0];
        $take(['line' => ['places' => [$same, $same]]])->assertStatus(422)->assertJsonPath('message', 'Both ends are the same place, so there is no direction between them.');
        $take([])->assertStatus(422)->assertJsonPath('message', 'Touch a spot or a line of the drawing, or type an elevation.');
        $take(['elevation' => 1e9])->assertStatus(422);
        $take(['line' => ['shapes' => [['layerId' => 999, 'shape' => 0]]]])->assertStatus(422);
        $arc = $this->take(['line' => ['shapes' => [['layerId' => $this->layer, 'shape' => 2]]]]);
        $this->ask('PATCH', $this->at("/aims/{$arc['id']}"), [
            'version' => 1, 'lay' => ['parallels' => [['offset' => 0.0], ['offset' => 12.0], ['offset' => -12.0]], 'parallel' => 2],
        ])->assertStatus(422);
        $this->ask('PATCH', $this->at("/aims/{$arc['id']}"), ['version' => 1, 'lay' => ['heights' => 'one']])->assertStatus(422);
        self::assertSame(1, $this->ask('GET', $this->at('/aims'))->json('0.version'), 'nothing of it was kept');
        $far = $this->take(['line' => ['places' => [['northing' => 1000.0, 'easting' => 2000.0], ['northing' => 1000.0, 'easting' => 7000.0]]]]);
        self::assertEqualsWithDelta(5000.0, $far['line']['length'], 1e-6);
    }

    public function test_a_line_that_a_revision_moved_is_staked_as_touched_until_it_is_taken_anew(): void
    {
        $line = $this->line();
        $design = (int) DB::table('design_layers')->where('id', $this->layer)->value('design_id');
        $this->draw(str_replace("1010.0\n", "1010.12\n", self::drawing(10.0)), ['revisesId' => $design, 'revision' => 'B']);
        $now = $this->aims()[0];
        self::assertStringContainsString('elsewhere: by up to 0.120 m', $now['changed']);
        self::assertEqualsWithDelta(1010.0, $now['line']['start']['northing'], 1e-9, 'as it was touched');
        $now = $this->change($now, ['renew' => true]);
        self::assertEqualsWithDelta(1010.12, $now['line']['start']['northing'], 1e-9);
        self::assertSame(['', $line['version'] + 1], [$this->aims()[0]['changed'], $now['version']]);
        self::assertStringContainsString('(revision B)', $now['source']);
    }

    public function test_a_mark_beside_a_line_that_is_mended_lies_beside_it_there(): void
    {
        $this->setUpInstrument($this->project);
        $mark = $this->staked($this->line(), new Position(1010.0, 2020.0, 10.0));
        $mended = $mark->aimed();
        $found = new Position($mark->northing + 0.02, $mark->easting + 0.03, 10.0);
        $design = $mark->designedAt($found);
        self::assertEqualsWithDelta([1010.0, $found->easting], [$design?->northing, $design?->easting], 1e-9);
        $moved = $mended?->moved($mark->design(), $found);
        self::assertEqualsWithDelta([$mended?->along + 0.03, $mended?->toEnd - 0.03], [$moved?->along, $moved?->toEnd], 0.002);
        self::assertEqualsWithDelta(1010.0 - $found->northing, $moved?->offset, 1e-9);
    }

    public function test_a_point_out_of_tolerance_stays_to_be_done_unless_it_was_left_so(): void
    {
        $this->setUpInstrument($this->project);
        $point = $this->ask('POST', $this->at('/points'), ['name' => 'P', 'northing' => 1010.0, 'easting' => 2030.0, 'elevation' => 10.0])->json('id');
        $state = fn () => [$this->ask('GET', $this->at('/points'))->json('0.state'), $this->ask('POST', $this->at('/next-open'), ['northing' => 0, 'easting' => 0])->json('pointId')];
        self::assertSame(['open', $point], $state());
        $store = function (float $off, array $more) use ($point): void {
            $wish = $this->instruction($this->project, 'stake', 'P', ['mark' => ['pointId' => $point, 'withoutCheck' => true, 'evenOut' => true]]);
            $reading = $this->measure($this->project, 'stake', new Position(1010.0 + $off, 2030.0, 10.0), 'P');
            $this->ask('POST', $this->at('/marks'), ['key' => $wish->key, 'observationId' => $reading->id, 'kind' => 'stake', 'pointId' => $point, 'withoutCheck' => true, 'evenOut' => true] + $more)->assertOk();
        };
        $store(0.02, []);
        self::assertSame(['redo', $point], $state());
        self::assertSame(0, $this->ask('GET', "/projects/{$this->project->id}")->json('progress.staked'));
        $store(0.02, ['leftSo' => true]);
        self::assertSame(['done', null], $state());
        $store(0.02, []);
        self::assertSame('redo', $state()[0], 'the last one decides');
        $store(0.0, []);
        self::assertSame('done', $state()[0]);
    }

    public function test_what_is_nearest_to_the_pole_is_told_with_its_difference(): void
    {
        $this->ask('POST', $this->at('/points'), ['name' => 'P', 'northing' => 1010.0, 'easting' => 2030.0, 'elevation' => 10.0])->assertOk();
        $near = $this->ask('GET', $this->at('/around?northing=1010.3&easting=2029.6&elevation=10.1'))->assertOk()->json();
        self::assertSame(['point', 'P'], [$near['what'], $near['name']]);
        self::assertEqualsWithDelta([0.3, -0.4, 0.5, 0.1], array_values(array_intersect_key($near['deviation'], array_flip(['northing', 'easting', 'plan', 'height']))), 1e-9);
        self::assertSame('control', $this->ask('GET', $this->at('/around?northing=1060&easting=2015'))->json('what'));
        $empty = $this->project();
        self::assertNull($this->ask('GET', "/projects/{$empty->id}/around?northing=0&easting=0")->json('deviation'));
    }

    public function test_the_next_comes_by_the_rule_that_was_chosen(): void
    {
        $ids = array_map(fn (array $p) => $this->ask('POST', $this->at('/points'), ['name' => $p[0], 'northing' => 1000.0, 'easting' => $p[1]])->json('id'), [
            ['A', 2000.0], ['B', 2010.0], ['C', 2004.0], ['D', 1999.0],
        ]);
        [$a, $b, $c, $d] = $ids;
        $next = fn (array $more) => $this->ask('POST', $this->at('/next-open'), $more + ['northing' => 1000.0, 'easting' => 2001.5])->assertOk()->json();
        self::assertSame(['pointId' => $a, 'left' => 4], $next([]));
        self::assertSame($c, $next(['rule' => 'listed', 'after' => $b])['pointId']);
        self::assertSame($a, $next(['rule' => 'listed', 'after' => $d])['pointId'], 'round to the first');
        self::assertSame(['pointId' => $b, 'left' => 2], $next(['rule' => 'listed', 'after' => $c, 'only' => [$c, $b]]));
        // To the near end first, and then all the way.
        self::assertSame($d, $next(['rule' => 'walk', 'easting' => 1998.0])['pointId']);
        $this->ask('PUT', $this->at('/staking'), ['next' => 'walk', 'look' => true, 'lath' => true, 'lathLines' => ['name'], 'figures' => ['distance', 'cut_fill']])->assertOk();
        self::assertSame(['walk', ['distance', 'cut_fill']], [
            $this->ask('GET', "/projects/{$this->project->id}")->json('staking.next'), $this->ask('GET', "/projects/{$this->project->id}")->json('staking.figures'),
        ]);
        $this->ask('PUT', $this->at('/staking'), [
            'next' => 'off', 'look' => false, 'lath' => false, 'lathLines' => [], 'figures' => ['facing', 'north_east', 'cut_fill', 'distance', 'azimuth'],
        ])->assertStatus(422);
    }

    public function test_to_a_design_far_above_the_instrument_looks_where_the_pole_is(): void
    {
        $this->setUpInstrument($this->project);
        $this->seen(new Position(1010.0, 2030.0, 9.9));
        $zenith = function (float $elevation): float {
            $id = $this->ask('POST', $this->at('/points'), ['name' => $this->newKey(), 'northing' => 1012.0, 'easting' => 2032.0, 'elevation' => $elevation])->json('id');
            $told = $this->ask('POST', $this->at('/instrument/turn'), ['key' => $this->newKey(), 'pointId' => $id])->assertOk()->json('id');

            return (float) QueuedInstruction::query()->findOrFail($told)->content['zenith'];
        };
        self::assertEqualsWithDelta($zenith(9.9), $zenith(17.0), 1e-3, 'an anchor of the ceiling is marked on the slab');
        self::assertGreaterThan(1e-3, abs($zenith(9.9) - $zenith(10.6)), 'a step is not the ceiling');
    }

    public function test_what_was_stored_before_offsets_had_their_names_is_read_with_the_same_figures(): void
    {
        $line = $this->line();
        $this->change($line, ['lay' => ['parallels' => [['offset' => 0.0], ['offset' => -0.15, 'verticalOffset' => 0.1]], 'parallel' => 1]]);
        $stored = (string) DB::table('aims')->where('id', $line['id'])->value('lay');
        self::assertStringContainsString('"offset":-0.15,"verticalOffset":0.1', $stored);
        $former = str_replace(['"offset"', '"verticalOffset"'], ['"right"', '"raised"'], $stored);
        DB::table('aims')->where('id', $line['id'])->update(['lay' => $former]);
        $read = array_column($this->aims(), null, 'id')[$line['id']];
        self::assertEqualsWithDelta([-0.15, 0.1], [$read['line']['lay']['parallels'][1]['offset'], $read['line']['lay']['parallels'][1]['verticalOffset']], 1e-12);

        $aimed = Values::of(['kind' => 'alignment', 'name' => 'Road', 'source' => '', 'right' => -0.2, 'raised' => 0.3, 'axisRight' => 4.5], Aimed::class);
        self::assertSame([-0.2, 0.3, 4.5], [$aimed->offset, $aimed->verticalOffset, $aimed->axisOffset]);
        $lay = Values::of(['surfaceId' => 3, 'right' => 2.0, 'raised' => -0.1], CivilLay::class);
        self::assertSame([2.0, -0.1], [$lay->offset, $lay->verticalOffset]);
        try {
            Values::of(['surfaceId' => 3, 'right' => 2.0, 'offset' => 1.0], CivilLay::class);
            self::fail('One of both would be lost.');
        } catch (InvalidValues $e) {
            self::assertStringContainsString('right', $e->getMessage().implode(' ', array_keys($e->errors)));
        }
    }

    public function test_choosing_a_target_turns_nothing_away_from_a_prism_that_is_followed(): void
    {
        $this->setUpInstrument($this->project);
        $id = $this->ask('POST', $this->at('/points'), ['name' => 'P', 'northing' => 1012.0, 'easting' => 2032.0, 'elevation' => 9.9])->json('id');
        $told = fn (bool $keepLock): string => QueuedInstruction::query()->findOrFail($this->ask('POST', $this->at('/instrument/turn'), [
            'key' => $this->newKey(), 'pointId' => $id, 'keepLock' => $keepLock,
        ])->assertOk()->json('id'))->kind;
        $this->seen(new Position(1010.0, 2030.0, 9.9));
        self::assertSame(['track', 'turn'], [$told(true), $told(false)], 'chosen, and asked for');
        $this->seen(new Position(1010.0, 2030.0, 9.9), false);
        self::assertSame('turn', $told(true), 'nothing is held');
        $this->ask('PATCH', $this->at('/setup'), ['dot' => true])->assertOk();
        $this->seen(new Position(1010.0, 2030.0, 9.9));
        self::assertSame('dot', $told(true), 'the dot follows nothing');
    }

    public function test_worklists_say_what_counts_and_lists_of_codes_leave_it(): void
    {
        $id = $this->ask('POST', $this->at('/points'), ['name' => 'P', 'northing' => 1.0, 'easting' => 2.0])->json('id');
        $list = $this->ask('POST', $this->at('/worklists'), ['name' => 'Hangers', 'pointIds' => [$id], 'judged' => 'plan'])->assertOk();
        $list->assertJsonPath('judged', 'plan');
        $this->ask('PUT', $this->at('/worklists/'.$list->json('id')), ['name' => 'Hangers', 'pointIds' => [$id]])->assertOk()->assertJsonPath('judged', null);
    }

    public function test_another_project_reaches_none_of_it(): void
    {
        $line = $this->line();
        $other = $this->project();
        $this->ask('PATCH', "/projects/{$other->id}/aims/{$line['id']}", ['version' => 1])->assertStatus(404);
        $this->ask('POST', "/projects/{$other->id}/aims/{$line['id']}/places", ['key' => $this->newKey(), 'version' => 1, 'way' => 'main'])->assertStatus(404);
        self::assertNull($this->ask('GET', "/projects/{$other->id}/live?aim={$line['id']}")->assertOk()->json('aim'));
    }

    /** @return array<string, mixed> */
    private function line(): array
    {
        return $this->take([
            'line' => ['shapes' => [['layerId' => $this->layer, 'shape' => 0]], 'whole' => true], 'nearNorthing' => 1010.1, 'nearEasting' => 2004.0,
        ]);
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array<string, mixed>
     */
    private function take(array $body): array
    {
        return $this->ask('POST', $this->at('/aims'), ['key' => $this->newKey()] + $body)->assertOk()->json();
    }

    /** @return list<array<string, mixed>> */
    private function aims(): array
    {
        return $this->ask('GET', $this->at('/aims'))->assertOk()->json();
    }

    /**
     * @param  array<string, mixed>  $aim
     * @param  array<string, mixed>  $change
     * @return array<string, mixed>
     */
    private function change(array $aim, array $change): array
    {
        return $this->ask('PATCH', $this->at("/aims/{$aim['id']}"), ['version' => $aim['version']] + $change)->assertOk()->json();
    }

    /** @param  array<string, mixed>  $aim */
    private function wish(array $aim): QueuedInstruction
    {
        $kept = KeptAim::query()->findOrFail($aim['id']);

        return $this->instruction($this->project, 'stake', $kept->name, ['mark' => [
            'aimId' => $kept->id, 'aimVersion' => $kept->version, 'withoutCheck' => true,
        ]]);
    }

    private function arrived(QueuedInstruction $wish, Position $tip): QueuedInstruction
    {
        $this->arrives($wish, $tip);
        $wish->fill(['project_id' => $this->project->id, 'kind' => 'measure', 'content' => [], 'state' => 'done'])->save();

        return $wish->refresh();
    }

    /** @param  array<string, mixed>  $aim */
    private function staked(array $aim, Position $tip): Mark
    {
        $asked = $this->arrived($this->wish($aim), $tip);

        return Mark::query()->findOrFail($asked->mark_id ?? self::fail((string) json_encode(InstructionResource::of($asked)->asks)));
    }

    public function test_the_ends_of_lines_in_a_box_are_run_over_under_the_names_beside_them(): void
    {
        $this->setUpInstrument($this->project);
        $walls = '';
        foreach ([0, 1, 2, 3, 4] as $i) {
            $n = 1010.0 + 3 * $i;
            $walls .= "0\nLINE\n5\nB$i\n8\nKERB\n10\n2010.0\n20\n$n\n30\n10.0\n11\n2018.0\n21\n$n\n31\n10.0\n"
                ."0\nTEXT\n5\nC$i\n8\nKERB\n10\n2014.0\n20\n".($n + 0.2)."\n30\n10.0\n40\n0.3\n1\nW$i\n";
        }
        $this->draw("0\nSECTION\n2\nENTITIES\n{$walls}0\nENDSEC\n0\nEOF\n", []);
        $box = ['key' => $this->newKey(), 'south' => 1009.0, 'west' => 2009.0, 'north' => 1023.0, 'east' => 2019.0];
        $ends = $this->ask('POST', $this->at('/aims/in-box'), $box)->assertOk()->json();
        self::assertSame(
            ['W0.1', 'W0.2', 'W1.1', 'W1.2', 'W2.1', 'W2.2', 'W3.1', 'W3.2', 'W4.1', 'W4.2'], array_column($ends, 'name'),
        );
        self::assertSame([['spot', 1010.0, 2010.0], ['spot', 1010.0, 2018.0]], array_map(
            static fn (array $a) => [$a['kind'], (float) $a['place']['northing'], (float) $a['place']['easting']], array_slice($ends, 0, 2),
        ));
        self::assertStringContainsString('layer KERB', $ends[0]['source']);
        // The same box again, or another round the same lines, brings the same ends.
        foreach ([$box, ['key' => $this->newKey(), 'west' => 2005.0] + $box] as $again) {
            self::assertSame(array_column($ends, 'id'), array_column($this->ask('POST', $this->at('/aims/in-box'), $again)->json(), 'id'));
        }
        // Round the arc of the kerb's drawing as well, it is asked of which layer.
        $wide = ['key' => $this->newKey(), 'south' => 990.0, 'east' => 2080.0, 'north' => 1040.0] + $box;
        $asked = $this->ask('POST', $this->at('/aims/in-box'), $wide)->assertStatus(409)->assertJsonPath('reason', 'layers')->json('evidence.layers');
        self::assertSame([['KERB', 2], ['KERB', 5]], array_map(static fn (array $l) => [$l['name'], $l['count']], $asked));
        self::assertSame(array_column($ends, 'id'), array_column(
            $this->ask('POST', $this->at('/aims/in-box'), ['layerIds' => [$asked[1]['id']]] + $wide)->assertOk()->json(), 'id',
        ));
        $this->ask('POST', $this->at('/aims/in-box'), ['layerIds' => [999]] + $wide)->assertStatus(422);
        $this->ask('POST', $this->at('/aims/in-box'), ['key' => $this->newKey(), 'east' => 2015.0] + $box)->assertStatus(422)->assertSee('No line or arc lies in this box');
        $run = $this->ask('POST', $this->at('/runs'), [
            'key' => $this->newKey(), 'leader' => 'a', 'order' => 'listed', 'settings' => ['withoutCheck' => true], 'aimIds' => array_column($ends, 'id'),
        ])->assertOk()->json();
        self::assertSame(array_column($ends, 'name'), array_column($run['steps'], 'name'));
        // A mark of one is called as the end is.
        self::assertSame('W1.2', $this->staked($ends[3], new Position(1013.001, 2018.0, 10.0))->name);
    }

    /** The instrument follows the pole there. */
    private function seen(Position $tip, bool $locked = true): void
    {
        $this->world->pole->tip = $tip;
        $reading = (new StandIn($this->world))->readNow();
        $this->held = null;
        $this->held = LiveState::sign();
        (new LiveState)->with([
            'link' => 'up', 'heardAt' => Clock::steady(), 'status' => ['locked' => $locked] + LiveStatus::toArray(self::instrumentStatus()),
            'reading' => LiveStatus::reading($reading), 'readingAt' => Clock::steady(),
        ])->write();
    }

    /** @param  array<string, mixed>  $more */
    private function draw(string $dxf, array $more): int
    {
        $task = $this->ask('POST', $this->at('/designs'), [
            'upload' => $this->upload($this->project, $dxf, 'kerb.dxf'), 'name' => 'Kerb', 'unit' => 'm', 'layers' => ['KERB'], 'heights' => 'used', ...$more,
        ])->assertOk()->json('id');
        $done = $this->ask('GET', $this->at("/tasks/$task"))->assertJson(['state' => 'done'])->json('result.designId');

        return (int) DB::table('design_layers')->where('design_id', $done)->value('id');
    }

    /** A kerb of two straight pieces in one polyline, forty metres to the east and twenty to the north, and a quarter arc of radius ten. */
    private static function drawing(float $z): string
    {
        $polyline = "0\nLWPOLYLINE\n5\nA1\n8\nKERB\n90\n3\n38\n$z\n70\n0\n10\n2000.0\n20\n1010.0\n10\n2040.0\n20\n1010.0\n10\n2040.0\n20\n1030.0\n";
        $arc = "0\nARC\n5\nA2\n8\nKERB\n10\n2060.0\n20\n1000.0\n30\n$z\n40\n10.0\n50\n0\n51\n90\n";

        return "0\nSECTION\n2\nENTITIES\n$polyline{$arc}0\nENDSEC\n0\nEOF\n";
    }

    private function at(string $path): string
    {
        return "/projects/{$this->project->id}$path";
    }
}
