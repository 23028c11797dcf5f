<?php

declare(strict_types=1);

namespace Tests\Feature\Stakeout;

use App\Projects\Models\Project;
use App\Stakeout\Models\Mark;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Conformance;
use Parlay\Core\Stakeout\DeviationSpread;
use Symfony\Component\Process\Process;
use Tests\FeatureTestCase;

/** Whether a mark conforms to its tolerance, with its uncertainty weighed or not. */
final class ConformityTest extends FeatureTestCase
{
    private Project $project;

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        $this->site($this->project);
        $this->setUpInstrument($this->project);
    }

    private function at(string $path): string
    {
        return "/projects/{$this->project->id}$path";
    }

    /** @param  array<string, mixed>  $change */
    private function choose(array $change): \Illuminate\Testing\TestResponse
    {
        $seen = $this->ask('GET', $this->at(''))->json();
        $settings = array_intersect_key($seen, array_flip(['name', 'units', 'planTolerance', 'heightTolerance', 'residualLimit', 'acceptance', 'acceptanceLevel']));

        return $this->ask('PUT', $this->at(''), $change + $settings);
    }

    /** @return array<string, mixed> the mark of a point that was built so far north of its design */
    private function built(string $name, float $off): array
    {
        $point = $this->ask('POST', $this->at('/points'), ['name' => $name, 'northing' => 1012.0, 'easting' => 2030.0, 'elevation' => 10.0])->assertOk()->json('id');
        $reading = $this->measure($this->project, 'as_built', new Position(1012.0 + $off, 2030.0, 10.0), $name);

        return $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => 'as_built', 'pointId' => $point, 'observationId' => $reading->id, 'withoutCheck' => true,
        ])->assertOk()->json();
    }

    public function test_each_mark_says_how_far_it_may_be_wrong_and_its_verdict_follows_the_rule_of_the_project(): void
    {
        $mark = $this->built('P1', 0.004);
        $c = $mark['conformance'];
        self::assertSame(['simple', 0.95], [$c['acceptance'], $c['level']]);
        self::assertSame($mark['verdict'] === 'in' ? 'inside' : 'outside', $c['conformity']);
        // A pole held by hand and a station of a few millimetres: nobody knows a mark to less than three, or to more than fifteen.
        self::assertGreaterThan(0.003, $c['planUncertain']);
        self::assertLessThan(0.015, $c['planUncertain']);
        self::assertGreaterThan(0.0005, $c['heightUncertain']);
        $kept = Mark::query()->findOrFail($mark['id']);
        self::assertEqualsWithDelta(
            Conformance::inPlan($mark['deviation']['northing'], $mark['deviation']['easting'], new DeviationSpread(...$kept->spread), 0.005), $c['plan'], 1e-12,
        );

        $this->choose(['acceptance' => 'guarded', 'acceptanceLevel' => 0.95])->assertOk();
        $far = $this->built('P2', 0.06);
        self::assertSame('outside', $far['conformance']['conformity']);
        [$again] = $this->ask('GET', $this->at('/marks'))->json();
        self::assertSame(['close', 'guarded'], [$again['conformance']['conformity'], $again['conformance']['acceptance']]);
        self::assertSame($mark['verdict'], $again['verdict'], 'the figure is judged as it was');
        self::assertEqualsWithDelta($c['plan'], $again['conformance']['plan'], 1e-6);

        $csv = (string) $this->get('/api/v1'.$this->at('/report.csv'))->assertOk()->streamedContent();
        self::assertStringContainsString('close,"guarded 0.95"', $csv);
        $task = $this->ask('POST', $this->at('/reports'), [])->assertOk()->json('id');
        $sheet = $this->get("/api/v1/projects/{$this->project->id}/reports/$task.pdf")->assertOk()->baseResponse->getFile()->getPathname();
        $text = (string) preg_replace('~\s+~', ' ', (new Process(['pdftotext', '-layout', $sheet, '-']))->mustRun()->getOutput());
        self::assertStringContainsString('2 marks count (0 staked, 2 built): 0 in tolerance, 1 out, 1 too close to call', $text);
        self::assertStringContainsString('Guarded acceptance at 95 % (JCGM 106:2012)', $text);
        self::assertStringContainsString(sprintf('in with %d %%', (int) round(100 * min($c['plan'], $c['height']))), $text);
        self::assertStringContainsString(sprintf('± %.1f mm', 1000 * $c['planUncertain']), $text);
    }

    public function test_what_was_marked_before_uncertainty_was_kept_has_the_same_figures(): void
    {
        $mark = $this->built('P1', 0.004);
        DB::unprepared('DROP TRIGGER marks_no_update');
        DB::table('marks')->update(['spread' => null]);
        [$again] = $this->ask('GET', $this->at('/marks'))->json();
        self::assertEqualsWithDelta($mark['conformance']['planUncertain'], $again['conformance']['planUncertain'], 1e-12);
        self::assertEqualsWithDelta($mark['conformance']['plan'], $again['conformance']['plan'], 1e-6);
        // Once it is started again they are kept beside, and the same.
        self::assertSame(0, Artisan::call('parlay:data'));
        self::assertNull(Mark::query()->findOrFail($mark['id'])->spread, 'the mark itself is never changed');
        self::assertSame([$mark['id']], DB::table('mark_spreads')->pluck('mark_id')->all());
        [$kept] = $this->ask('GET', $this->at('/marks'))->json();
        self::assertSame($again['conformance'], $kept['conformance']);
        self::assertSame(0, Artisan::call('parlay:data'));
        self::assertSame(1, DB::table('mark_spreads')->count());
        [$line] = $this->ask('GET', $this->at('/field-book?name=P1&show=as_built'))->json();
        self::assertEqualsWithDelta($mark['conformance']['plan'], $line['mark']['conformance']['plan'] ?? null, 1e-6);
    }

    public function test_a_corrected_reading_gives_a_mark_of_its_own_uncertainty(): void
    {
        $mark = $this->built('P1', 0.0);
        $reading = Mark::query()->findOrFail($mark['id'])->observation_id;
        $change = ['observationId' => $reading, 'targetHeight' => 1.9, 'prismConstant' => 0.0, 'note' => 'read again'];
        $this->ask('POST', $this->at('/corrections'), $change)->assertOk();
        $setups = array_column($this->ask('GET', $this->at('/setup-proposals'))->json(), 'setupId');
        $this->ask('POST', $this->at('/setup-proposals-adoption'), ['setupIds' => $setups, 'note' => 'mended'])->assertOk();
        [$again] = $this->ask('GET', $this->at('/marks'))->json();
        self::assertNotSame($mark['id'], $again['id']);
        self::assertEqualsWithDelta(0.1, $again['deviation']['height'] - $mark['deviation']['height'], 1e-6);
        self::assertEqualsWithDelta($mark['conformance']['planUncertain'], $again['conformance']['planUncertain'], 1e-5);
        self::assertSame([0.0, 'outside'], [round($again['conformance']['height'], 6), $again['conformance']['conformity']]);
    }

    public function test_of_what_has_no_design_nothing_is_said(): void
    {
        $reading = $this->measure($this->project, 'as_built', new Position(1012.0, 2030.0, 10.0), 'LOOSE');
        $mark = $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => 'as_built', 'name' => 'LOOSE', 'observationId' => $reading->id, 'withoutCheck' => true,
        ])->assertOk()->json();
        self::assertNull($mark['conformance']);
    }

    public function test_a_level_that_decides_nothing_is_refused(): void
    {
        foreach ([0.4, 1.0, -1.0] as $level) {
            $this->choose(['acceptance' => 'guarded', 'acceptanceLevel' => $level])->assertStatus(422);
        }
        self::assertSame('simple', $this->ask('GET', $this->at(''))->json('acceptance'));
        $this->choose(['acceptance' => 'perhaps'])->assertStatus(422);
    }
}
