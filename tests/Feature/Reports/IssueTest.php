<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use App\Reports\Models\Letterhead;
use App\Reports\Models\ReportIssue;
use App\Reports\Paper;
use App\Reports\Pdf;
use App\Reports\Stamp;
use App\Stakeout\Models\Mark;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;
use Symfony\Component\Process\Process;
use Tests\Feature\SiteTestCase;

/** Reports that stay: numbered, frozen, and told against one another. */
final class IssueTest extends SiteTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->setUpInstrument($this->project);
    }

    /** @param  array<string, mixed>  $more */
    private function staked(string $name, float $off, array $more = []): int
    {
        $point = $this->ask('GET', $this->at('/points'))->collect()->firstWhere('name', $name)['id']
            ?? $this->ask('POST', $this->at('/points'), ['name' => $name, 'northing' => 1010.0, 'easting' => 2030.0, 'elevation' => 10.0])->assertOk()->json('id');
        $reading = $this->measure($this->project, 'stake', new Position(1010.0 + $off, 2030.0, 10.0), $name);

        return $this->ask('POST', $this->at('/marks'), $more + [
            'key' => $this->newKey(), 'kind' => 'stake', 'pointId' => $point, 'observationId' => $reading->id, 'evenOut' => true, 'withoutCheck' => true,
        ])->assertOk()->json('id');
    }

    /** @param  array<string, mixed>  $wanted */
    private function issue(array $wanted = []): int
    {
        $task = $this->ask('POST', $this->at('/reports'), $wanted)->assertOk()->json('id');
        $done = $this->ask('GET', $this->at("/tasks/$task"))->json();
        self::assertSame('done', $done['state'], (string) $done['error']);

        return $done['result']['number'];
    }

    private function bytes(int $number, string $as): string
    {
        $answer = $this->get('/api/v1'.$this->at("/report-issues/$number.$as"))->assertOk();

        return $as === 'pdf' ? (string) file_get_contents($answer->baseResponse->getFile()->getPathname()) : (string) $answer->getContent();
    }

    private function text(int $number): string
    {
        $path = $this->get('/api/v1'.$this->at("/report-issues/$number.pdf"))->assertOk()->baseResponse->getFile()->getPathname();

        return (string) preg_replace('~\s+~', ' ', (new Process(['pdftotext', '-layout', $path, '-']))->mustRun()->getOutput());
    }

    public function test_what_was_issued_stays_and_the_next_one_says_what_became_of_it(): void
    {
        $first = $this->staked('P1', 0.0);
        $this->staked('P2', 0.06);
        $this->staked('P3', 0.001);
        self::assertSame(1, $this->issue(['name' => 'Anchors "ü"', 'author' => 'M. Müller']));
        $before = [$this->bytes(1, 'pdf'), $this->bytes(1, 'csv')];
        // One is struck, one staked again, one is new.
        $this->ask('POST', $this->at("/marks/$first/strikes"), ['struck' => true, 'reason' => 'wrong pole', 'by' => 'M'])->assertOk();
        $this->staked('P2', 0.001);
        $this->staked('P4', 0.0);
        $today = $this->ask('GET', $this->at('/report-issues/1/changes'))->assertOk()->json();
        self::assertSame([['P2', 'marked_again', true], ['P4', 'new', false], ['P1', 'gone', false]], array_map(static fn (array $c): array => [$c['name'], $c['kind'], $c['turned']], $today));
        self::assertEqualsWithDelta(0.059, $today[0]['moved'], 0.008);
        self::assertSame(2, $this->issue(['name' => 'Anchors "ü"', 'author' => 'M. Müller']));
        self::assertSame($before, [$this->bytes(1, 'pdf'), $this->bytes(1, 'csv')], 'not a byte of it changed');
        $text = $this->text(2);
        self::assertStringContainsString('3 marks are told otherwise than in report 1', $text);
        self::assertStringContainsString('1 with another verdict', $text);
        self::assertMatchesRegularExpression('~P2 marked again .* ▲ OUT~u', $text);
        self::assertStringContainsString('P1 struck, or no longer covered', $text);
        self::assertSame([], $this->ask('GET', $this->at('/report-issues/2/changes'))->json());

        [$one, $two] = $this->ask('GET', $this->at('/report-issues'))->json();
        self::assertSame(['Anchors "ü"', 'M. Müller', ['in' => 2, 'out' => 1, 'close' => 0, 'undecided' => 0]], [$one['name'], $one['author'], $one['counts']]);
        self::assertSame(['in' => 3, 'out' => 0, 'close' => 0, 'undecided' => 0], $two['counts']);
        self::assertStringContainsString("report 2 · {$two['checksum']} · page 1 of", $text);
    }

    public function test_its_checksum_is_that_of_its_figures_and_its_file_is_none_other(): void
    {
        $this->staked('P1', 0.0);
        $number = $this->issue();
        $issue = ReportIssue::of($this->project)->where('number', $number)->firstOrFail();
        self::assertSame(hash('sha256', "report $number\n".gzinflate($issue->figures)), $issue->checksum);
        self::assertEqualsWithDelta(Mark::of($this->project)->firstOrFail()->northing, $issue->figures()->marks[0]->found[0], 1e-8);
        $path = config()->string('parlay.data')."/reports/report-{$issue->task_id}.pdf";
        self::assertSame($issue->file_checksum, hash_file('sha256', $path));
        file_put_contents($path, ' ', FILE_APPEND);
        $this->ask('GET', $this->at("/report-issues/$number.pdf"))->assertStatus(422);
        self::assertStringContainsString('P1', $this->bytes($number, 'csv'));
        foreach (['UPDATE report_issues SET name = 1', 'DELETE FROM report_issues'] as $statement) {
            try {
                DB::statement($statement);
                self::fail('It was changed.');
            } catch (\Illuminate\Database\QueryException $e) {
                self::assertStringContainsString('what was issued stays', $e->getMessage());
            }
        }
    }

    public function test_printed_again_of_the_same_figures_it_is_the_same_file(): void
    {
        $made = [];
        foreach (['a', 'b'] as $name) {
            $path = $this->data."/$name/sheet.pdf";
            $task = Task::query()->create(['project_id' => $this->project->id, 'kind' => 'report', 'state' => 'running', 'input' => [], 'created_at' => '2026-12-02']);
            Pdf::write('<h1>Äpfel</h1>', 'Site', $path, new Progress($task->id), new Letterhead(['paper' => Paper::Letter]), [], ['Surveyor'], new Stamp(7, str_repeat('ab', 32), '2026-12-02T08:00:00.000000Z'));
            $made[] = (string) file_get_contents($path);
            usleep(1_100_000);
        }
        self::assertSame($made[0], $made[1]);
    }

    public function test_it_covers_what_was_asked_for(): void
    {
        $this->staked('P1', 0.0, ['code' => 'BOLT']);
        $this->staked('P2', 0.06, ['code' => 'BOLT']);
        $this->staked('P2', 0.0, ['code' => 'BOLT']);
        $this->staked('P3', 0.05, ['code' => 'WALL']);
        $list = $this->ask('GET', $this->at('/points'))->collect()->firstWhere('name', 'P3')['id'];
        $list = $this->ask('POST', $this->at('/worklists'), ['name' => 'East', 'pointIds' => [$list]])->assertOk()->json('id');
        $today = substr((string) Mark::of($this->project)->firstOrFail()->at, 0, 10);
        $names = function (array $scope): array {
            $lines = array_slice(explode("\n", trim($this->bytes($this->issue(['scope' => $scope]), 'csv'))), 1);

            return array_map(static fn (string $l): string => (string) str_getcsv($l, ',', '"', '')[0], $lines);
        };
        self::assertSame(['P1', 'P2', 'P2', 'P3'], $names([]));
        self::assertSame(['P1', 'P2', 'P3'], $names(['replaced' => false]));
        self::assertSame(['P3'], $names(['code' => 'WALL']));
        self::assertSame(['P3'], $names(['worklistId' => $list]));
        self::assertSame(['P3'], $names(['outOnly' => true]));
        self::assertSame([], $names(['kind' => 'as_built']));
        self::assertSame(['P1', 'P2', 'P2', 'P3'], $names(['day' => $today]));
        self::assertSame([], $names(['day' => '2001-02-03']));
        self::assertStringContainsString('marks of 2001-02-03', $this->text(8));
        foreach ([['day' => '2026-02-30'], ['day' => 'x'], ['kind' => 'check'], ['code' => 3]] as $scope) {
            $this->ask('POST', $this->at('/reports'), ['scope' => $scope])->assertStatus(422);
        }
        $task = $this->ask('POST', $this->at('/reports'), ['scope' => ['worklistId' => 99]])->json('id');
        self::assertSame('failed', $this->ask('GET', $this->at("/tasks/$task"))->json('state'));
        $this->ask('POST', $this->at('/reports'), ['name' => "two\nlines"])->assertStatus(422);
    }

    public function test_two_that_are_printed_at_once_have_numbers_of_their_own(): void
    {
        $this->staked('P1', 0.0);
        $taken = false;
        ReportIssue::creating(function (ReportIssue $i) use (&$taken): void {
            if (! $taken) {
                $taken = true;
                // Another took the number while this one was printed.
                $other = Task::query()->create(['project_id' => $this->project->id, 'kind' => 'report', 'state' => 'done', 'input' => [], 'created_at' => '2026-12-02']);
                DB::table('report_issues')->insert(['task_id' => $other->id] + array_intersect_key($i->getAttributes(), array_flip(['project_id', 'number', 'author', 'at', 'zone', 'scope', 'counts', 'checksum', 'file_checksum'])) + ['name' => 'another', 'figures' => 'x']);
            }
        });
        self::assertSame(2, $this->issue(['name' => 'B']));
        self::assertStringContainsString('no. 2', $this->text(2));
        self::assertSame([1, 2], ReportIssue::of($this->project)->orderBy('number')->pluck('number')->all());
    }

    public function test_reports_of_another_project_are_not_given_out(): void
    {
        $this->staked('P1', 0.0);
        $number = $this->issue();
        $other = $this->project();
        foreach (['.pdf', '.csv', '/changes'] as $what) {
            $this->ask('GET', "/projects/{$other->id}/report-issues/$number$what")->assertNotFound();
        }
        self::assertSame([], $this->ask('GET', "/projects/{$other->id}/report-issues")->json());
        $this->ask('GET', $this->at('/report-issues/9.pdf'))->assertNotFound();
    }
}
