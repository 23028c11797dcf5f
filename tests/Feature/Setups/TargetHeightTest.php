<?php

declare(strict_types=1);

namespace Tests\Feature\Setups;

use App\Control\Models\ControlPoint;
use App\Instrument\Models\Observation;
use App\Setups\Models\Setup;
use App\Stakeout\Models\Mark;
use Parlay\Core\Geometry\Position;

/** A target height that was booked wrong is mended, with all that hangs on it. */
final class TargetHeightTest extends SetupTestCase
{
    public function test_a_mended_target_height_works_through_the_setup_and_its_marks_and_both_stay_in_the_book(): void
    {
        $this->setUpInstrument($this->project);
        $this->check('D');
        $point = $this
            ->ask('POST', $this->at('/points'), ['name' => 'P', 'northing' => 1010.0, 'easting' => 2030.0, 'elevation' => 10.0])
            ->json('id');
        $seen = $this->measure($this->project, 'stake', new Position(1010.0, 2030.0, 10.0));
        $mark = $this->ask(
            'POST', $this->at('/marks'),
            ['key' => $this->newKey(), 'kind' => 'stake', 'observationId' => $seen->id, 'pointId' => $point],
        )->assertOk()->json();
        self::assertSame([], $this->ask('GET', $this->at('/setup-proposals'))->json());
        $sight = Observation::query()->where('sighted', 'B')->firstOrFail();
        $this->ask(
            'POST', $this->at('/corrections'),
            ['observationId' => $sight->id, 'targetHeight' => 1.9, 'prismConstant' => 0.0, 'note' => ''],
        )->assertStatus(422);
        $this->ask('POST', $this->at('/corrections'), [
            'observationId' => $sight->id, 'targetHeight' => 1.9, 'prismConstant' => 0.0, 'note' => 'the lower part was pushed in',
            'alike' => true,
        ])->assertOk()->assertJsonPath('count', 3);
        $proposal = $this->ask('GET', $this->at('/setup-proposals'))->assertJsonCount(1)->json(0);
        self::assertEqualsWithDelta(-0.1, $proposal['up'], 0.002, 'a lower target on the control lowers the station');
        self::assertSame(2, $proposal['markCount']);
        self::assertEqualsWithDelta(0.1, $proposal['largest'], 0.002);
        self::assertEqualsWithDelta($mark['deviation']['height'], $proposal['marks'][1]['was']['height'], 1e-9);
        self::assertSame(1, Setup::query()->count(), 'nothing changes before it is adopted');
        $this->ask(
            'POST', $this->at('/setup-proposals-adoption'),
            ['setupIds' => [$proposal['setupId']], 'note' => 'the lower part was pushed in'],
        )->assertOk()->assertJsonPath('count', 3);
        $setup = Setup::current($this->project)->firstOrFail();
        self::assertSame([2, 1, 'the lower part was pushed in'], [$setup->id, $setup->stands_for, $setup->note]);
        self::assertSame([], $this->ask('GET', $this->at('/setup-proposals'))->json());
        $marks = $this->ask('GET', $this->at('/marks'))->json();
        self::assertSame([3, 4], array_column($marks, 'id'), 'the mended ones count');
        self::assertEqualsWithDelta($mark['deviation']['height'] - 0.1, $marks[1]['deviation']['height'], 0.002);
        self::assertSame(1, $this->ask('GET', $this->at('/points'))->json('0.stakes'));
        self::assertSame(4, Mark::query()->count(), 'the old ones stay in the book');
        self::assertEqualsWithDelta(
            (float) $setup->elevation, (float) ControlPoint::of($this->project)->where('name', 'ST1')->value('elevation'), 1e-9,
        );
        // Work goes on from the mended setup with what was measured before.
        $next = $this->measure($this->project, 'stake', new Position(1010.0, 2030.0, 10.0));
        $this->ask(
            'POST', $this->at('/marks'),
            ['key' => $this->newKey(), 'kind' => 'stake', 'observationId' => $next->id, 'pointId' => $point, 'evenOut' => true],
        )->assertOk()->assertJsonPath('setupId', 2);
        $this->ask('POST', $this->at('/reports'), ['author' => 'x'])->assertOk();
    }
}
