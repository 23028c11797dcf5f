<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use App\Instrument\Models\Observation;
use Parlay\Core\Geometry\Position;
use Symfony\Component\Process\Process;
use Tests\Feature\SiteTestCase;

/** One list of what was put right afterwards, and of the reports that told it otherwise. */
final class CorrectionsTest extends SiteTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->setUpInstrument($this->project);
    }

    private function staked(string $name, float $up = 0.0): int
    {
        $point = $this->ask('POST', $this->at('/points'), ['name' => $name, 'northing' => 1010.0, 'easting' => 2030.0, 'elevation' => 10.0])->assertOk()->json('id');
        $reading = $this->measure($this->project, 'stake', new Position(1010.0, 2030.0, 10.0 + $up), $name);

        return $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => 'stake', 'pointId' => $point, 'observationId' => $reading->id, 'evenOut' => true, 'withoutCheck' => true,
        ])->assertOk()->json('id');
    }

    private function issue(): int
    {
        $task = $this->ask('POST', $this->at('/reports'), ['name' => 'R'])->assertOk()->json('id');

        return $this->ask('GET', $this->at("/tasks/$task"))->json('result.number');
    }

    public function test_each_correction_says_how_far_it_reaches_and_which_reports_told_it_otherwise(): void
    {
        self::assertSame([], $this->ask('GET', $this->at('/corrections'))->assertOk()->json());
        $struck = $this->staked('P1');
        $this->issue();
        $second = $this->staked('P2');
        $this->issue();
        foreach ([[$struck, true, 'the wrong nail'], [$second, true, 'this too'], [$second, false, 'no, it was right']] as [$mark, $is, $reason]) {
            $this->ask('POST', $this->at("/marks/$mark/strikes"), ['struck' => $is, 'reason' => $reason, 'by' => 'Ö'])->assertOk();
        }
        $sight = Observation::query()->where('sighted', 'B')->firstOrFail();
        $this->ask('POST', $this->at('/corrections'), [
            'observationId' => $sight->id, 'targetHeight' => 1.9, 'prismConstant' => 0.0, 'note' => 'the pole was pushed in', 'alike' => true,
        ])->assertOk();
        [$proposal] = $this->ask('GET', $this->at('/setup-proposals'))->json();
        $this->ask('POST', $this->at('/setup-proposals-adoption'), ['setupIds' => [$proposal['setupId']], 'note' => 'worked through'])->assertOk();
        [$strike, , $unstrike, $reading, $setup] = $all = $this->ask('GET', $this->at('/corrections'))->assertOk()->json();
        self::assertCount(5, $all);
        self::assertSame(['struck', 'P1', 'the wrong nail', 'Ö', 0, [1, 2]], [$strike['kind'], $strike['what'], $strike['note'], $strike['by'], $strike['marks'], $strike['reports']]);
        self::assertSame(['reading', 'A, B, C', 1.9, []], [$reading['kind'], $reading['what'], $reading['targetHeight'], $reading['reports']], 'what was read to set up is no mark of a report');
        self::assertSame(['setup', 'worked through', 1, [2]], [$setup['kind'], $setup['note'], $setup['marks'], $setup['reports']], 'report 1 did not know of P2, and P1 is struck');
        self::assertEqualsWithDelta($proposal['largest'], $setup['height'], 0.002);
        self::assertSame(1, $setup['turned'], 'it was in, and is 0.1 m too low now');

        self::assertSame(['unstruck', [2]], [$unstrike['kind'], $unstrike['reports']]);
        // On paper and on the page it stands as well, and stays there as it was.
        $number = $this->issue();
        $pdf = $this->get('/api/v1'.$this->at("/report-issues/$number.pdf"))->assertOk()->baseResponse->getFile()->getPathname();
        $words = (string) preg_replace('~\s+~', ' ', (new Process(['pdftotext', '-layout', $pdf, '-']))->mustRun()->getOutput());
        foreach (['Corrections', 'P1 struck', 'the wrong nail, Ö', 'the pole was pushed in', 'worked anew', '1 turned'] as $line) {
            self::assertStringContainsString($line, $words);
        }
        $page = fn (): string => (string) $this->get('/api/v1'.$this->at("/report-issues/$number/file?format=html"))->streamedContent();
        $before = $page();
        self::assertStringContainsString('Strike of P2 taken back', $before);
        $this->ask('POST', $this->at("/marks/{$this->staked('P3')}/strikes"), ['struck' => true, 'reason' => 'a later one', 'by' => ''])->assertOk();
        self::assertSame($before, $page());
        $this->ask('GET', "/projects/{$this->project()->id}/corrections")->assertOk()->assertExactJson([]);
    }

    public function test_a_reading_of_a_mark_that_is_corrected_moves_it_under_its_own_setup(): void
    {
        $this->staked('P1');
        $this->issue();
        $reading = Observation::query()->where('sighted', 'P1')->firstOrFail();
        $this->ask('POST', $this->at('/corrections'), ['observationId' => $reading->id, 'targetHeight' => $reading->target_height + 0.2, 'prismConstant' => $reading->prism_constant, 'note' => 'pole at 2.2'])->assertOk();
        [$proposal] = $this->ask('GET', $this->at('/setup-proposals'))->json();
        $this->ask('POST', $this->at('/setup-proposals-adoption'), ['setupIds' => [$proposal['setupId']], 'note' => 'worked through'])->assertOk();
        [$said, $worked] = $all = $this->ask('GET', $this->at('/corrections'))->json();
        self::assertCount(2, $all);
        self::assertSame(['reading', 'P1', [1]], [$said['kind'], $said['what'], $said['reports']]);
        self::assertSame(['marks', 'P1', 1, 1, [1]], [$worked['kind'], $worked['what'], $worked['marks'], $worked['turned'], $worked['reports']]);
        self::assertEqualsWithDelta([0.0, 0.2], [$worked['plan'], $worked['height']], 1e-6);
    }
}
