<?php

declare(strict_types=1);

namespace Tests\Feature\Setups;

use App\Control\Models\ControlPoint;
use App\Instrument\Models\Observation;
use App\Instrument\Models\QueuedInstruction;
use App\Projects\Models\Project;
use App\Setups\Actions\SetupDrafts;
use App\Setups\DraftReadings;
use App\Setups\KeepIn;
use App\Setups\Models\Setup;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Units\Angle;
use Tests\FeatureTestCase;

/** Every way to set up, over HTTP, with the stand-in. */
final class MethodsTest extends FeatureTestCase
{
    private Project $project;

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        $this->site($this->project);
        $this->change(['instrumentHeight' => $this->world->tripod->height, 'pressure' => 1009, 'temperature' => 18]);
    }

    public function test_a_sight_is_switched_for_plan_and_for_height_and_the_result_follows(): void
    {
        $sights = $this->sights('A', 'B', 'C');
        $all = $this->change(['method' => 'resection', 'sights' => $sights])['solution'];
        self::assertSame(8 - 3, $all['redundancy']);
        $sights[1]['height'] = false;
        $sights[2]['plan'] = false;
        $less = $this->change(['sights' => $sights])['solution'];
        self::assertLessThan($all['redundancy'], $less['redundancy']);
        self::assertGreaterThan(
            $all['northingDeviation'] + $all['eastingDeviation'], $less['northingDeviation'] + $less['eastingDeviation'],
        );
        self::assertSame(['rise'], array_column($less['residuals'][2]['observed'], 'kind'));
        self::assertSame(['direction', 'horizontalDistance'], array_column($less['residuals'][1]['observed'], 'kind'));
    }

    public function test_readings_go_into_the_setup_by_themselves_and_none_is_lost_between_two_tabs(): void
    {
        $this->change(['method' => 'resection', 'sights' => []]);
        $names = fn (): array => array_column($this->ask('GET', $this->at('/setup'))->json('draft.sights'), 'name');
        $this->comesIn('A', KeepIn::Sight);
        $this->comesIn('B', KeepIn::Sight);
        self::assertSame(['A', 'B'], $names(), 'without anybody having sent a list');
        $this->comesIn('A', KeepIn::Round);
        $sights = $this->ask('GET', $this->at('/setup'))->json('draft.sights');
        self::assertCount(1, $sights[0]['more']);
        // One tab switches a sight while a third one, and a round, come in through another.
        $seen = array_merge(...array_map(static fn (array $s) => [$s['observationId'], ...$s['more']], $sights));
        $this->comesIn('C', KeepIn::Sight);
        $this->comesIn('B', KeepIn::Round);
        $sent = array_map(static fn (array $s) => [
            'controlId' => $s['controlId'], 'observationId' => $s['observationId'], 'height' => false, 'more' => $s['more'],
        ], $sights);
        $draft = $this->change(['sights' => $sent, 'seenReadings' => $seen])['draft'];
        self::assertSame(['A', 'B', 'C'], array_column($draft['sights'], 'name'));
        self::assertSame([false, false, true], array_column($draft['sights'], 'height'));
        self::assertSame([1, 1, 0], array_map(static fn (array $s) => count($s['more']), $draft['sights']));
        // A sight that is dropped stays dropped, and one measured anew replaces the old.
        $draft = $this->change(
            ['sights' => array_slice($sent, 0, 1), 'seenReadings' => [...$seen, $draft['sights'][2]['observationId']]],
        )['draft'];
        self::assertSame(['A'], array_column($draft['sights'], 'name'));
        $this->comesIn('A', KeepIn::Sight);
        self::assertCount(1, $names());
    }

    public function test_nothing_is_accepted_that_was_not_looked_at(): void
    {
        $draft = $this->change(['method' => 'resection', 'sights' => $this->sights('A', 'B')])['draft'];
        $seen = array_column($draft['sights'], 'observationId');
        $this->comesIn('C', KeepIn::Sight);
        $key = $this->newKey();
        $said = $this->ask('POST', $this->at('/setups'), ['key' => $key, 'seenReadings' => $seen])->assertStatus(422)->json('message');
        self::assertStringContainsString('to “C” came in meanwhile', $said);
        self::assertSame(0, Setup::query()->count());
        $seen = array_column($this->ask('GET', $this->at('/setup'))->json('draft.sights'), 'observationId');
        $accepted = $this->ask('POST', $this->at('/setups'), ['key' => $key, 'seenReadings' => $seen])->assertOk()->json('id');
        self::assertSame([], $this->ask('GET', $this->at('/setup'))->json('draft.sights'), 'the next setup begins with nothing measured');
        self::assertSame(
            $accepted, $this->ask('POST', $this->at('/setups'), ['key' => $key])->assertOk()->json('id'), 'sent again it is the same',
        );
    }

    public function test_nothing_is_accepted_while_a_sight_is_being_measured(): void
    {
        $draft = $this->change(['method' => 'resection', 'sights' => $this->sights('A', 'B', 'C')])['draft'];
        $wish = ['key' => $this->newKey(), 'seenReadings' => array_column($draft['sights'], 'observationId')];
        $told = QueuedInstruction::query()->create([
            'key' => $this->newKey(), 'project_id' => $this->project->id, 'kind' => 'measure', 'content' => [],
            'purpose' => ['keepIn' => $this->wanted('D', KeepIn::Sight)], 'asked' => [], 'state' => 'sent',
        ]);
        self::assertStringContainsString('being measured', $this->ask('POST', $this->at('/setups'), $wish)->assertStatus(422)->json('message'));
        self::assertSame(0, Setup::query()->count());
        $told->update(['state' => 'refused', 'why' => 'It was cancelled.']);
        $this->ask('POST', $this->at('/setups'), $wish)->assertOk();
    }

    public function test_a_reading_that_arrives_when_another_setup_has_begun_goes_into_the_book_alone(): void
    {
        $this->change(['sights' => $this->sights('A', 'B', 'C')]);
        $late = $this->wanted('D', KeepIn::Sight);
        $this->accept();
        $this->comesIn('D', KeepIn::Sight, $late);
        self::assertSame([], $this->ask('GET', $this->at('/setup'))->json('draft.sights'));
        self::assertSame('D', Observation::query()->latest('id')->firstOrFail()->sighted);
        $this->change(['method' => 'grid_lines']);
        $late = $this->wanted('', KeepIn::Shot, 'A');
        $this->change(['method' => 'baseline']);
        $this->comesIn('D', KeepIn::Shot, $late);
        self::assertSame([], $this->ask('GET', $this->at('/setup'))->json('draft.shots'));
        $this->comesIn('D', KeepIn::Shot, $this->wanted('', KeepIn::Shot, 'baseline'));
        self::assertSame(['baseline'], array_column($this->ask('GET', $this->at('/setup'))->json('draft.shots'), 'line'));
        $this->expectExceptionMessage('which line is shot at');
        $this->wanted('', KeepIn::Shot, ' ');
    }

    public function test_a_projects_own_limit_for_residuals_stands_beside_the_statistical_test(): void
    {
        $project = [
            'name' => 'S',
            'units' => ['length' => 'm', 'angle' => 'dms', 'direction' => 'azimuth', 'order' => 'NE', 'station' => '1+000'],
        ];
        $this->ask('PUT', $this->at(''), $project + ['residualLimit' => 0.0])->assertStatus(422);
        $this->ask('PUT', $this->at(''), $project + ['residualLimit' => 1e-5])->assertOk()->assertJsonPath('residualLimit', 1e-5);
        $ids = ControlPoint::of($this->project)->pluck('id', 'name');
        $sights = array_map(fn (string $name) => [
            'controlId' => $ids[$name],
            'observationId' => $this->measure($this->project, 'setup', $this->world->marks[$name], $name)->id,
        ], ['A', 'B', 'C']);
        $state = $this->change(
            ['instrumentHeight' => $this->world->tripod->height, 'pressure' => 1009, 'temperature' => 18, 'sights' => $sights],
        );
        self::assertNotFalse($state['solution']['passes']);
        self::assertEqualsCanonicalizing(['A', 'B', 'C'], $state['beyondLimit']);
        $this->ask('PUT', $this->at(''), $project + ['residualLimit' => 0.01])->assertOk();
        self::assertSame([], $this->ask('GET', $this->at('/setup'))->json('beyondLimit'));
    }

    public function test_angles_alone_and_distances_alone(): void
    {
        $sights = $this->sights('A', 'B', 'C', 'D');
        $angles = $this->change(['sights' => array_map(static fn (array $s) => ['distance' => false] + $s, $sights)]);
        self::assertLessThan(0.02, $this->off($angles['solution']));
        $two = array_map(static fn (array $s) => ['direction' => false] + $s, array_slice($sights, 0, 2));
        $distances = $this->change(['sights' => $two]);
        self::assertCount(2, $distances['places'], 'two distances leave two places');
        self::assertFalse($distances['solution']['oriented']);
        $this->ask('POST', $this->at('/setups'), ['key' => $this->newKey()])->assertStatus(422)->assertJsonPath(
            'message', 'Distances alone give no orientation. Read a direction to one of the points before accepting.',
        );
        $offs = [$this->off($this->change(['place' => 0])['solution']), $this->off($this->change(['place' => 1])['solution'])];
        self::assertLessThan(0.02, min($offs));
        self::assertGreaterThan(1.0, max($offs));
    }

    public function test_the_coefficient_of_refraction_is_kept_with_each_reading(): void
    {
        $this->ask('PATCH', $this->at('/setup'), ['refraction' => 14])->assertStatus(422);
        self::assertSame(-0.5, $this->change(['refraction' => -0.5])['draft']['refraction']);
        $readings = array_map(
            static fn (array $s) => ['controlId' => $s['controlId'], 'circle' => 1.0, 'zenith' => 1.5, 'slope' => 1500.0],
            $this->sights('A'),
        );
        $sight = $this
            ->ask('POST', $this->at('/readings'), ['key' => 'typed-readings-9', 'readings' => $readings])
            ->assertOk()
            ->json('draft.sights.0');
        self::assertSame(-0.5, $sight['refraction']);
        self::assertEqualsWithDelta(1.5 * (1500 * sin(1.5)) ** 2 / (2 * Sight::EARTH_RADIUS), $sight['lift'], 0.0001);
        $this->change(['refraction' => 0.14]);
        self::assertSame(
            -0.5, $this->ask('GET', $this->at('/setup'))->json('draft.sights.0.refraction'),
            'what was read before stays as it was read',
        );
    }

    public function test_several_rounds_are_averaged_and_make_the_sight_more_certain(): void
    {
        $sights = $this->sights('A', 'B', 'C');
        $once = $this->change(['sights' => $sights]);
        foreach (range(1, 8) as $round) {
            foreach (['A', 'B', 'C'] as $i => $mark) {
                $sights[$i]['more'][] = $this->observation($mark)->id;
            }
        }
        $nine = $this->change(['sights' => $sights]);
        self::assertLessThan($once['solution']['orientationDeviation'], $nine['solution']['orientationDeviation']);
        self::assertLessThan(
            $once['solution']['residuals'][0]['observed'][0]['deviation'],
            $nine['solution']['residuals'][0]['observed'][0]['deviation'],
        );
        self::assertGreaterThan(0.0, $nine['draft']['sights'][0]['spread']);
        self::assertCount(8, $nine['draft']['sights'][0]['more']);
        $this->accept();
        self::assertSame([], $this->ask('GET', $this->at('/setup-proposals'))->json(), 'worked out anew it is the same');
    }

    public function test_control_with_a_deviation_weighs_less_and_says_so(): void
    {
        $sights = $this->sights('A', 'B', 'C');
        $fixed = $this->change(['sights' => $sights])['solution'];
        ControlPoint::query()->where('project_id', $this->project->id)
            ->update(['held_fixed' => false, 'plan_deviation' => 0.01, 'height_deviation' => 0.01]);
        $loose = $this->ask('GET', $this->at('/setup'))->json('solution');
        self::assertGreaterThan(3 * $fixed['northingDeviation'], $loose['northingDeviation']);
        self::assertGreaterThan(3 * $fixed['heightDeviation'], $loose['heightDeviation']);
    }

    public function test_a_station_found_is_named_in_series_and_kept_as_a_point_with_its_uncertainty(): void
    {
        $this->change(['instrumentHeight' => $this->world->tripod->height, 'sights' => $this->sights('A', 'B', 'C')]);
        $this->accept();
        $t1 = ControlPoint::of($this->project)->where('name', 'ST1')->firstOrFail();
        self::assertLessThan(0.005, $t1->position()->distanceTo($this->world->tripod->foot));
        self::assertFalse($t1->held_fixed);
        self::assertGreaterThan(0.0003, $t1->plan_deviation);
        self::assertSame('ST2', $this->ask('GET', $this->at('/setup'))->json('draft.nextName'));
        $next = $this->change(['stationName' => 'Dach „Süd“', 'sights' => $this->sights('A', 'B', 'C')]);
        // The height of the last setup is no height of this one until somebody says so.
        self::assertTrue($next['draft']['heightDue']);
        $this->ask('POST', $this->at('/setups'), ['key' => $this->newKey()])->assertStatus(422)->assertSee('Nobody has told how high the instrument stands');
        self::assertSame(1, Setup::query()->where('project_id', $this->project->id)->count());
        self::assertFalse($this->change(['instrumentHeight' => $next['draft']['instrumentHeight']])['draft']['heightDue'], 'told as it was');
        $this->accept();
        self::assertSame('', $this->ask('GET', $this->at('/setup'))->json('draft.stationName'), 'the next setup begins anew');
        self::assertSame('Dach „Süd“', Setup::current($this->project)->firstOrFail()->station_name);
        self::assertTrue(ControlPoint::of($this->project)->where('name', 'Dach „Süd“')->exists());
    }

    public function test_several_backsights_and_a_given_direction(): void
    {
        $this->world->standTripod('A', null, 1.55);
        $ids = ControlPoint::of($this->project)->pluck('id', 'name');
        $state = $this->change([
            'method' => 'known_backsight', 'stationControlId' => $ids['A'], 'instrumentHeight' => 1.55,
            'sights' => $this->sights('B', 'C'),
        ]);
        self::assertSame(1000.0, (float) $state['solution']['station']['mark']['northing']);
        self::assertNotNull($state['solution']['residuals'][0]['direction']);
        $shot = $this->measure($this->project, 'setup', $this->world->marks['D'], 'a chimney');
        $azimuth = $this->world->marks['A']->azimuthTo($this->world->marks['D']);
        $given = $this->change(
            ['method' => 'known_direction', 'azimuth' => $azimuth, 'shots' => [['line' => 'direction', 'observationId' => $shot->id]]],
        )['solution'];
        self::assertEqualsWithDelta(0.0, Angle::signed($given['station']['orientation'] - $this->world->tripod->circleZero), 1e-4);
        self::assertStringContainsString('nothing checks it', $given['cautions'][0]);
        $this->accept();
        self::assertSame('A', Setup::current($this->project)->firstOrFail()->station_name);
    }

    public function test_on_a_known_mark_a_slanted_height_read_as_straight_and_another_station_are_named(): void
    {
        $this->world->standTripod('A', null, 1.55);
        $ids = ControlPoint::of($this->project)->pluck('id', 'name');
        $instrument = $this
            ->ask('POST', $this->at('/instruments'), ['name' => 'Ours', 'notchRadius' => 0.12, 'notchDrop' => 0.06])
            ->assertOk()
            ->json('id');
        $slanted = hypot(1.49, 0.12);
        // The marks stand 1.5 mm off where they are listed: control is said to be known so well.
        ControlPoint::query()->where('project_id', $this->project->id)
            ->update(['held_fixed' => false, 'plan_deviation' => 0.0015, 'height_deviation' => 0.0015]);
        $state = $this->change([
            'method' => 'known_backsight', 'stationControlId' => $ids['A'], 'instrumentId' => $instrument,
            'instrumentHeight' => $slanted, 'sights' => $this->sights('B', 'C'),
        ]);
        self::assertSame('heightOtherwise', $state['explanations'][0]['cause']);
        self::assertStringContainsString('1.550 m straight, and that fits', $state['explanations'][0]['sentence']);
        $mended = $this->change(['heightMode' => 'slanted', 'slantedHeight' => $slanted]);
        self::assertNull($mended['explanations']);
        self::assertEqualsWithDelta(1.55, $mended['draft']['instrumentHeight'], 1e-6);
        $wrong = $this->change(['stationControlId' => $ids['D']])['explanations'][0];
        self::assertSame(['anotherStation', ['A']], [$wrong['cause'], $wrong['sights']]);
        self::assertNull($this->change(['stationControlId' => $ids['A']])['explanations']);
    }

    public function test_grid_lines_give_two_places_and_the_user_chooses(): void
    {
        $foot = $this->world->tripod->foot;
        $lines = [
            [
                'name' => 'A', 'northing1' => $foot->northing - 14, 'easting1' => $foot->easting - 9,
                'northing2' => $foot->northing - 14, 'easting2' => $foot->easting + 40,
            ],
            [
                'name' => '1', 'northing1' => $foot->northing - 14, 'easting1' => $foot->easting - 9,
                'northing2' => $foot->northing + 40, 'easting2' => $foot->easting - 9, 'offset' => 0.3,
            ],
        ];
        self::assertStringContainsString('None has been taken', $this->change(['method' => 'grid_lines', 'lines' => $lines])['problem']);
        $shots = [];
        foreach ([['A', -14, 5], ['A', -14, 30], ['1', 3, -8.7], ['1', 35, -8.7]] as [$line, $n, $e]) {
            $shots[] = ['line' => $line, 'observationId' => $this->measure(
                $this->project, 'setup', new Position($foot->northing + $n, $foot->easting + $e, $foot->elevation), "line $line",
            )->id];
        }
        $state = $this->change(['shots' => $shots]);
        self::assertCount(2, $state['places']);
        self::assertLessThan(0.01, $this->off($state['solution']));
        self::assertSame(4, $state['places'][0]['onDrawn']);
        self::assertLessThan(4 * $state['angleDeviation'], abs($state['angleOff']));
        self::assertEqualsWithDelta(
            1.0, array_sum(array_map(static fn (array $r) => $r['reliability']['redundancy'], $state['solution']['shots'])), 1e-6,
            'with two lines only the angle between them is spare',
        );
        self::assertGreaterThan(10.0, $this->off($this->change(['place' => 1])['solution']));
        $this->change(['place' => 0]);
        $this->accept();
        self::assertNull(Setup::current($this->project)->firstOrFail()->elevation);
        // The height comes from a benchmark, at any time.
        $height = $this->change(['method' => 'height_only', 'sights' => $this->sights('B', 'C')])['solution'];
        self::assertEqualsWithDelta($foot->elevation, $height['station']['mark']['elevation'], 0.006);
        $this->accept();
        $setup = Setup::current($this->project)->firstOrFail();
        self::assertSame(['ST1', 'height_only'], [$setup->station_name, $setup->method]);
        self::assertEqualsWithDelta($foot->northing, $setup->northing, 0.01);
    }

    public function test_a_baseline_from_an_assumed_place(): void
    {
        $shots = [];
        foreach (['A', 'B'] as $mark) {
            $shots[] = [
                'line' => 'baseline', 'observationId' => $this->measure($this->project, 'setup', $this->world->marks[$mark], $mark)->id,
            ];
        }
        $length = $this->world->marks['A']->distanceTo($this->world->marks['B']);
        $one = $this->change([
            'method' => 'baseline', 'azimuth' => 0.0, 'length' => $length, 'assumedNorthing' => 500, 'assumedEasting' => 500,
            'assumedElevation' => 20, 'instrumentHeight' => $this->world->tripod->height, 'shots' => [$shots[0]],
        ]);
        self::assertStringContainsString('the second one now', $one['problem']);
        $state = $this->change(['shots' => $shots]);
        self::assertEqualsWithDelta($length, $state['baselineLength'], 0.006);
        [$from, $to] = $state['places'][0]['shots'];
        self::assertEqualsWithDelta($from['easting'], $to['easting'], 1e-6, 'the line runs north');
        self::assertGreaterThan($from['northing'], $to['northing']);
        $this->accept();
        // Measured again from the same place, before anything hangs on it, it takes the place of the former.
        $this->change(['shots' => $shots]);
        $this->accept();
        $again = Setup::current($this->project)->firstOrFail();
        self::assertSame([1, 1, 'ST1'], [$again->number, $again->root(), $again->station_name]);
        self::assertSame(1, ControlPoint::of($this->project)->where('origin', 'station')->count());

        // The marks it was turned by are control from now on where they are wanted, known as well as they were measured.
        $marks = $this->ask('GET', $this->at('/sighted-marks'))->assertOk()->json();
        self::assertCount(2, $marks);
        self::assertEqualsWithDelta($length, hypot(
            $marks[1]['place']['northing'] - $marks[0]['place']['northing'], $marks[1]['place']['easting'] - $marks[0]['place']['easting'],
        ), 0.006);
        $kept = $this->ask('POST', $this->at('/sighted-marks'), ['observationId' => $marks[0]['observationId'], 'name' => 'BL1'])->assertOk()->json();
        self::assertSame([false, $marks[0]['planDeviation']], [$kept['heldFixed'], $kept['planDeviation']]);
        self::assertGreaterThan(0.0005, $kept['planDeviation']);
        self::assertSame(['BL1', null], array_column($this->ask('GET', $this->at('/sighted-marks'))->json(), 'keptAs'));
        foreach ([['BL9', 'kept already'], ['BL1', 'kept already']] as [$name, $says]) {
            self::assertStringContainsString($says, (string) $this->ask(
                'POST', $this->at('/sighted-marks'), ['observationId' => $marks[0]['observationId'], 'name' => $name],
            )->assertStatus(422)->json('message'));
        }
        self::assertStringContainsString('already', (string) $this->ask(
            'POST', $this->at('/sighted-marks'), ['observationId' => $marks[1]['observationId'], 'name' => 'BL1'],
        )->assertStatus(422)->json('message'));
        $this->ask('POST', $this->at('/sighted-marks'), ['observationId' => 99999, 'name' => 'X'])->assertStatus(422);

        // What was measured from here turns with a baseline that is found afterwards.
        $chimney = $this->measure($this->project, 'as_built', $this->world->marks['C'], 'chimney');
        $before = $this->ask(
            'POST', $this->at('/marks'),
            ['key' => $this->newKey(), 'kind' => 'as_built', 'name' => 'chimney', 'observationId' => $chimney->id, 'withoutCheck' => true],
        )->assertOk()->json('found');
        $turned = $this->change(['azimuth' => 0.5, 'turnEarlier' => true, 'shots' => $shots]);
        self::assertSame(1, $turned['turned']['markCount']);
        $this->accept();
        $marks = $this->ask('GET', $this->at('/marks'))->json();
        self::assertCount(1, $marks);
        $azimuth = static fn (array $p): float => atan2($p['easting'] - 500, $p['northing'] - 500);
        self::assertEqualsWithDelta(0.5, Angle::wrap($azimuth($marks[0]['found']) - $azimuth($before)), 1e-9);
        self::assertSame(2, \App\Stakeout\Models\Mark::query()->count(), 'the old place stays in the book');
        self::assertSame('turned onto the baseline', Setup::current($this->project)->firstOrFail()->note);
    }

    public function test_after_a_knock_the_orientation_is_found_again(): void
    {
        $this->change(['sights' => $this->sights('A', 'B', 'C')]);
        $this->accept();
        $this->world->tripod->circleZero += 0.3;
        $state = $this->change(['method' => 'orientation_only', 'sights' => $this->sights('B', 'D')]);
        self::assertEqualsWithDelta(
            0.0, Angle::signed($state['solution']['station']['orientation'] - $this->world->tripod->circleZero), 2e-4,
        );
        $this->accept();
        self::assertSame(2, Setup::query()->where('station_name', 'ST1')->count());
        // Old and new circle stand in the book: they differ by what the circle was turned.
        $note = Setup::current($this->project)->firstOrFail()->note;
        self::assertSame(1, preg_match('~^circle turned: on B it read (\d+)°(\d+)′(\d+)″, and reads (\d+)°(\d+)′(\d+)″ now$~u', $note, $m), $note);
        $read = static fn (int $i): float => deg2rad((int) $m[$i] + (int) $m[$i + 1] / 60 + (int) $m[$i + 2] / 3600);
        self::assertEqualsWithDelta(0.3, Angle::signed($read(1) - $read(4)), 3e-4);
        self::assertSame($note, $this->ask('GET', $this->at('/setup'))->json('current.note'));
    }

    public function test_instruments_and_targets_of_a_project(): void
    {
        $id = $this->ask(
            'POST', $this->at('/instruments'),
            ['name' => 'Nord „5″“', 'directionSeconds' => 5, 'notchRadius' => 0.12, 'notchDrop' => 0.02],
        )->assertOk()->json('id');
        $target = $this
            ->ask('POST', $this->at('/targets'), ['name' => 'klein', 'kind' => 'small_prism', 'prismConstant' => 0.0175, 'height' => 0.1])
            ->assertOk()
            ->json('id');
        $this->ask('POST', $this->at('/targets'), ['name' => 'klein'])->assertStatus(422)->assertJsonPath(
            'message', '“klein” is on the list already. Choose another name or change that one.',
        );
        $this->ask('POST', $this->at('/targets'), ['name' => 'x', 'height' => 9])->assertStatus(422);
        $this->ask('POST', $this->at('/instruments'), ['name' => 'x', 'directionSeconds' => 0])->assertStatus(422);
        $this->ask('PATCH', $this->at('/setup'), ['heightMode' => 'slanted', 'slantedHeight' => 1.5])->assertStatus(422);
        $draft = $this->change(['instrumentId' => $id, 'targetId' => $target, 'heightMode' => 'slanted', 'slantedHeight' => 1.5])['draft'];
        self::assertEqualsWithDelta(sqrt(1.5 ** 2 - 0.12 ** 2) + 0.02, $draft['instrumentHeight'], 1e-9);
        self::assertSame([1.5, 0.1, 0.0175], [(float) $draft['slantedHeight'], $draft['targetHeight'], $draft['prismConstant']]);
        self::assertEqualsWithDelta(12.5, $this->change(['airMode' => 'typed', 'ppm' => 12.5])['draft']['ppm'], 1e-9);
        $this->ask('PATCH', $this->at('/setup'), ['scale' => 2.0])->assertStatus(422);
        $this->ask('PATCH', $this->at('/setup'), ['humidity' => 60])->assertStatus(422);
        self::assertSame(
            ['the setup being made'], $this->ask('DELETE', $this->at("/targets/$target"))->assertStatus(409)->json('evidence.hangs'),
        );
        $this->ask('DELETE', $this->at("/targets/$target?evenHeld=true"))->assertStatus(204);
        self::assertSame([], $this->ask('GET', $this->at('/targets'))->json());
    }

    public function test_a_typed_reading_of_one_face_is_corrected_by_the_instruments_errors(): void
    {
        $id = $this->ask('POST', $this->at('/instruments'), ['name' => 'I', 'collimationSeconds' => 20, 'indexSeconds' => -10])->json('id');
        $a = ControlPoint::of($this->project)->where('name', 'A')->value('id');
        $this->change(['instrumentId' => $id]);
        $read = fn (float $angles, string $key) => $this->ask('POST', $this->at('/readings'), [
            'key' => $key,
            'readings' => [['controlId' => $a, 'circle' => 1.0, 'zenith' => M_PI / 2, 'slope' => 10, 'angleFactor' => $angles]],
        ])->assertOk();
        $read(M_SQRT2, 'one-face-reading');
        $one = Observation::query()->latest('id')->firstOrFail();
        self::assertSame(1.0, $one->circle, 'what was read stays in the book');
        self::assertEqualsWithDelta(1.0 - deg2rad(20 / 3600), $one->sight()->circle, 1e-12);
        self::assertEqualsWithDelta(M_PI / 2 + deg2rad(10 / 3600), $one->sight()->zenith, 1e-12);
        $read(1.0, 'both-faces-reading');
        self::assertSame(1.0, Observation::query()->latest('id')->firstOrFail()->sight()->circle);
    }

    public function test_a_draft_of_an_earlier_version_is_still_read(): void
    {
        $id = $this->measure($this->project, 'setup', $this->world->marks['A'], 'A')->id;
        $control = ControlPoint::of($this->project)->where('name', 'A')->value('id');
        \App\Setups\Models\SetupDraft::query()->where('project_id', $this->project->id)
            ->update(['content' => json_encode(['sights' => [['controlId' => $control, 'observationId' => $id, 'used' => false]]])]);
        self::assertSame(
            [false, false],
            array_map(fn (string $k) => $this->ask('GET', $this->at('/setup'))->json("draft.sights.0.$k"), ['plan', 'height']),
        );
    }

    /** @return list<array<string, mixed>> */
    private function sights(string ...$names): array
    {
        $ids = ControlPoint::of($this->project)->pluck('id', 'name');

        return array_map(fn (string $n) => ['controlId' => $ids[$n], 'observationId' => $this->observation($n)->id], array_values($names));
    }

    /** @return array<string, mixed> */
    private function wanted(string $mark, KeepIn $as, string $line = ''): array
    {
        $project = Project::query()->findOrFail($this->project->id);
        $control = $mark === '' ? null : (int) ControlPoint::of($project)->where('name', $mark)->value('id');

        return DraftReadings::wanted($project, SetupDrafts::of($project), $as, $control, $line) ?? [];
    }

    /** @param  array<string, mixed>|null  $wanted  as it was asked for earlier */
    private function comesIn(string $mark, KeepIn $as, ?array $wanted = null): void
    {
        $this->measure($this->project, 'setup', $this->world->marks[$mark], $mark, $wanted ?? $this->wanted($mark, $as));
    }

    private function observation(string $mark): Observation
    {
        return $this->measure($this->project, 'setup', $this->world->marks[$mark], $mark);
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array<string, mixed>
     */
    private function change(array $body): array
    {
        return $this->ask('PATCH', $this->at('/setup'), $body)->assertOk()->json();
    }

    private function accept(): void
    {
        $this->ask('POST', $this->at('/setups'), ['key' => $this->newKey()])->assertOk();
    }

    /** @param  array<string, mixed>  $solution */
    private function off(array $solution): float
    {
        return hypot(
            $solution['station']['mark']['northing'] - $this->world->tripod->foot->northing,
            $solution['station']['mark']['easting'] - $this->world->tripod->foot->easting,
        );
    }

    private function at(string $path): string
    {
        return "/projects/{$this->project->id}$path";
    }
}
