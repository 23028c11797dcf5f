<?php

declare(strict_types=1);

namespace Tests\Feature\FieldBook;

use App\Control\Models\ControlPoint;
use App\Instrument\Models\Correction;
use App\Setups\Models\Setup;
use App\Stakeout\WhatCounts;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Parlay\Core\Geometry\Position;
use Tests\Feature\SiteTestCase;

/** What was stored by mistake is struck, with its reason: it stays in the book and counts nowhere. */
final class StrikeTest extends SiteTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->setUpInstrument($this->project);
    }

    /** @return array<string, mixed> a stake of P1, so far north of it in metres */
    private function staked(float $off): array
    {
        $point = DB::table('stakeout_points')->where('project_id', $this->project->id)->value('id')
            ?? $this->ask('POST', $this->at('/points'), ['name' => 'P1', 'northing' => 1010.0, 'easting' => 2030.0, 'elevation' => 10.0])->assertOk()->json('id');
        $reading = $this->measure($this->project, 'stake', new Position(1010.0 + $off, 2030.0, 10.0), 'P1');

        return $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => 'stake', 'pointId' => $point, 'observationId' => $reading->id, 'withoutCheck' => true, 'evenOut' => true,
        ])->assertOk()->json();
    }

    private function strike(int $mark, bool $struck = true, string $reason = 'wrong point'): TestResponse
    {
        return $this->ask('POST', $this->at("/marks/$mark/strikes"), ['struck' => $struck, 'reason' => $reason, 'by' => 'B. Öz']);
    }

    /** @return array{marks: list<int>, state: string, staked: int, counts: bool, report: int, out: int} of the mark, in all that counts it */
    private function seen(int $mark): array
    {
        $report = (string) $this->get('/api/v1'.$this->at('/report.csv'))->assertOk()->streamedContent();

        return [
            'marks' => array_column($this->ask('GET', $this->at('/marks'))->json(), 'id'),
            'state' => $this->ask('GET', $this->at('/points'))->json('0.state'),
            'staked' => $this->ask('GET', $this->at(''))->json('progress.staked'),
            'counts' => WhatCounts::of($this->project)->counts($mark),
            'report' => substr_count($report, 'P1'),
            'out' => $this->ask('GET', $this->at(''))->json('progress.out'),
        ];
    }

    public function test_a_struck_mark_stays_in_the_book_and_counts_nowhere_until_the_strike_is_taken_back(): void
    {
        $mark = $this->staked(0.0)['id'];
        $before = $this->seen($mark);
        self::assertSame([[$mark], 'done', 1, true, 1], [$before['marks'], $before['state'], $before['staked'], $before['counts'], $before['report']]);

        $this->strike($mark)->assertOk()->assertJsonPath('strike.reason', 'wrong point')->assertJsonPath('strike.struck', true);
        $struck = $this->seen($mark);
        self::assertSame([[], 'open', 0, false, 0], [$struck['marks'], $struck['state'], $struck['staked'], $struck['counts'], $struck['report']]);
        $line = $this->ask('GET', $this->at('/field-book'))->json('0');
        self::assertSame(['stake', $mark, 'B. Öz', true], [$line['kind'], $line['id'], $line['mark']['strike']['by'], $line['mark']['strike']['struck']]);
        self::assertNotNull($line['reading'], 'the raw reading stays');

        $this->strike($mark)->assertOk();
        self::assertSame(1, DB::table('strikes')->count(), 'asked twice, it is done once');
        $this->strike($mark, false, 'it was the right one')->assertOk()->assertJsonPath('strike.struck', false);
        self::assertSame($before, $this->seen($mark));
        self::assertSame('it was the right one', $this->ask('GET', $this->at('/field-book'))->json('0.mark.strike.reason'));
    }

    public function test_where_the_last_is_struck_the_one_before_counts_again(): void
    {
        $out = $this->staked(0.06)['id'];
        $in = $this->staked(0.0)['id'];
        self::assertSame(['done', 0], [$this->seen($in)['state'], $this->seen($in)['out']]);
        $this->strike($in)->assertOk();
        self::assertSame([[$out], 1], [$this->seen($out)['marks'], $this->seen($out)['out']]);
        self::assertTrue(WhatCounts::of($this->project)->counts($out));
    }

    public function test_it_says_why_is_kept_for_good_and_reaches_no_other_project(): void
    {
        $mark = $this->staked(0.0)['id'];
        foreach (['', '  ', str_repeat('x', 201)] as $reason) {
            $this->strike($mark, true, $reason)->assertStatus(422)->assertSee('why');
        }
        $other = $this->project();
        $this->ask('POST', "/projects/{$other->id}/marks/$mark/strikes", ['struck' => true, 'reason' => 'not mine'])->assertNotFound();
        self::assertSame(0, DB::table('strikes')->count());
        $this->strike($mark)->assertOk();
        foreach (['UPDATE strikes SET struck = 0', 'DELETE FROM strikes'] as $sql) {
            try {
                DB::statement($sql);
                self::fail("$sql was let through");
            } catch (\Illuminate\Database\QueryException $e) {
                self::assertStringContainsString('field book', $e->getMessage());
            }
        }
    }

    public function test_what_was_mended_while_it_was_struck_does_not_count_again_with_its_old_figures(): void
    {
        $mark = $this->staked(0.0)['id'];
        $this->strike($mark)->assertOk();
        $control = ControlPoint::of($this->project)->where('name', 'A')->firstOrFail();
        $control->update(['northing' => $control->northing + 0.02]);
        $setup = Setup::current($this->project)->firstOrFail();
        $proposed = $this->ask('GET', $this->at('/setup-proposals'))->assertOk()->json();
        self::assertSame([$setup->id, 0], [$proposed[0]['setupId'], $proposed[0]['markCount']], 'what is struck is not worked anew');
        $this->ask('POST', $this->at('/setup-proposals-adoption'), ['setupIds' => [$setup->id], 'note' => 'A was typed wrong'])->assertOk();
        $this->strike($mark, false)->assertStatus(422)->assertSee('mended while it was struck');
        self::assertSame(0, Correction::query()->count());
    }

    public function test_a_struck_check_proves_nothing(): void
    {
        $reading = $this->measure($this->project, 'check', $this->world->marks['D'], 'D');
        $id = ControlPoint::of($this->project)->where('name', 'D')->value('id');
        $check = $this->ask('POST', $this->at('/marks'), ['key' => $this->newKey(), 'kind' => 'check', 'observationId' => $reading->id, 'controlId' => $id])->assertOk()->json('id');
        self::assertCount(1, $this->ask('GET', $this->at('/checks'))->json('checks'));
        $this->strike($check)->assertOk();
        self::assertSame([[], 'Not checked yet.'], [$this->ask('GET', $this->at('/checks'))->json('checks'), $this->ask('GET', $this->at('/checks'))->json('verdict')]);
    }
}
