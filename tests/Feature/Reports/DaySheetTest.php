<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;
use Symfony\Component\Process\Process;
use Tests\Feature\SiteTestCase;

/** The foreman's sheet, as poppler reads it. */
final class DaySheetTest extends SiteTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->setUpInstrument($this->project);
    }

    private function point(string $name, string $code): int
    {
        return $this->ask('POST', $this->at('/points'), ['name' => $name, 'code' => $code, 'northing' => 1012.0, 'easting' => 2030.0, 'elevation' => 10.0])->assertOk()->json('id');
    }

    private function staked(string $name, string $code, float $north, float $high, bool $leftSo = false): void
    {
        $point = $this->point($name, $code);
        $reading = $this->measure($this->project, 'stake', new Position(1012.0 + $north, 2030.0, 10.0 + $high), $name);
        $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => 'stake', 'pointId' => $point, 'observationId' => $reading->id, 'withoutCheck' => true, 'evenOut' => true, 'leftSo' => $leftSo,
        ])->assertOk();
    }

    /** @param  array<string, mixed>  $wanted */
    private function sheet(array $wanted): string
    {
        $task = $this->ask('POST', $this->at('/day-sheet'), $wanted)->assertOk()->json('id');
        $path = $this->get($this->ask('GET', $this->at("/tasks/$task"))->json('result.file'))->assertOk()->baseResponse->getFile()->getPathname();

        return (string) preg_replace('~\s+~', ' ', (new Process(['pdftotext', '-layout', $path, '-']))->mustRun()->getOutput());
    }

    public function test_it_says_what_was_done_what_is_out_with_what_to_do_and_what_is_open(): void
    {
        $this->staked('A1', '100', 0.0, 0.0);
        $this->staked('A2', '100', -0.06, 0.0);
        $this->staked('A3', 'PILE', 0.0, 0.08);
        $this->staked('A4', 'PILE', 0.09, 0.0, true);
        $this->point('B1', 'PILE');
        $this->point('B2 "ü"', '');
        $text = $this->sheet(['day' => gmdate('Y-m-d'), 'author' => 'K. Reed']);
        self::assertStringContainsString('4 staked, 0 built: 1 in tolerance, 3 out', $text);
        self::assertMatchesRegularExpression('~A2 100 stake it again: it lies (6\d|5\d)\.\d mm to the south~', $text);
        self::assertMatchesRegularExpression('~A3 PILE stake it again: it lies (7|8)\d\.\d mm too high~', $text);
        self::assertStringContainsString('2 marks of this day are to be put right', $text, 'one was left so');
        self::assertStringContainsString('2 points are still to be staked', $text);
        self::assertMatchesRegularExpression('~PILE 1 B1~', $text);
        self::assertStringContainsString('B2 "ü"', $text);
        self::assertStringContainsString('by K. Reed', $text);
    }

    public function test_a_day_of_nothing_says_so_and_what_is_out_since_before(): void
    {
        $this->staked('A2', 'PILE', 0.06, 0.0);
        $text = $this->sheet(['day' => '2001-05-06']);
        self::assertStringContainsString('Nothing was staked or measured as built on this day.', $text);
        self::assertStringContainsString('Out since before this day, to be staked again: A2.', $text);
        self::assertStringContainsString('None was taken.', $text);
    }

    public function test_what_is_no_day_or_no_zone_is_refused_and_prints_nothing(): void
    {
        $this->ask('POST', $this->at('/day-sheet'), ['day' => '2026-02-30'])->assertStatus(422)->assertJsonPath('message', 'A day is written as 2026-12-02.');
        $this->ask('POST', $this->at('/day-sheet'), ['day' => ''])->assertStatus(422);
        $this->ask('POST', $this->at('/day-sheet'), ['day' => '2026-02-20', 'zone' => 'Mars/Base'])->assertStatus(422);
        self::assertSame(0, DB::table('tasks')->where('kind', 'day_sheet')->count());
    }
}
