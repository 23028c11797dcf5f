<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use App\Projects\Models\Project;
use Parlay\Core\Geometry\Position;
use Symfony\Component\Process\Process;
use Tests\FeatureTestCase;

/** What is handed over: the table, and the sheets as poppler reads them. */
final class ReportTest extends FeatureTestCase
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

    /** Stakes a point so far north of where it is designed. */
    private function staked(string $name, float $off, Position $at): void
    {
        $point = $this->ask('POST', $this->at('/points'), ['name' => $name, 'northing' => $at->northing, 'easting' => $at->easting, 'elevation' => $at->elevation])->assertOk()->json('id');
        $reading = $this->measure($this->project, 'stake', new Position($at->northing + $off, $at->easting, $at->elevation), $name);
        $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => 'stake', 'pointId' => $point, 'observationId' => $reading->id, 'evenOut' => true, 'withoutCheck' => true,
        ])->assertOk();
    }

    /** @return list<array<string, string>> */
    private function rows(): array
    {
        $text = (string) $this->get('/api/v1'.$this->at('/report.csv'))->assertOk()->streamedContent();
        $lines = array_map(static fn (string $l): array => str_getcsv($l, ',', '"', ''), explode("\n", trim(substr($text, 3))));
        $head = array_map(strval(...), array_shift($lines) ?? []);

        return array_map(static fn (array $l): array => array_combine($head, array_map(strval(...), $l)), $lines);
    }

    private function text(int $task): string
    {
        $answer = $this->get("/api/v1/projects/{$this->project->id}/reports/$task.pdf")->assertOk();
        $run = new Process(['pdftotext', '-layout', $answer->baseResponse->getFile()->getPathname(), '-']);

        return $run->mustRun()->getOutput();
    }

    public function test_the_table_says_of_each_mark_its_design_what_was_found_and_how_it_came_out(): void
    {
        $this->staked('=A1 "ü"', 0.0, new Position(1010.0, 2030.0, 10.0));
        $this->staked('A2', 0.06, new Position(1020.0, 2030.0, 10.0));
        [$in, $out] = $this->rows();
        self::assertSame(["'=A1 \"ü\"", 'in', 'A2', 'out'], [$in['name'], $in['verdict'], $out['name'], $out['verdict']], 'a name is no formula');
        foreach ([$in, $out] as $row) {
            self::assertEqualsWithDelta((float) $row['found northing [m]'] - (float) $row['design northing [m]'], (float) $row['dN [m]'], 1.1e-4);
            self::assertEqualsWithDelta(hypot((float) $row['dN [m]'], (float) $row['dE [m]']), (float) $row['horizontal deviation [m]'], 2e-4);
        }
        self::assertEqualsWithDelta(0.06, (float) $out['dN [m]'], 0.006);
        self::assertSame([], array_filter($this->rows(), static fn (array $r): bool => $r['counts'] !== 'yes'));
    }

    public function test_the_sheet_says_the_same_figures_as_the_table(): void
    {
        $this->staked('A2', 0.06, new Position(1020.0, 2030.0, 10.0));
        $task = $this->ask('POST', $this->at('/reports'), ['author' => 'M. Müller', 'zone' => 'Europe/Berlin'])->assertOk()->json('id');
        self::assertSame('done', $this->ask('GET', $this->at("/tasks/$task"))->json('state'));
        $text = $this->text($task);
        [$row] = $this->rows();
        self::assertStringContainsString('M. Müller', $text);
        self::assertStringNotContainsStringIgnoringCase('powered by', $text);
        self::assertStringContainsString('A2', $text);
        self::assertMatchesRegularExpression('~\b(out|OUT)\b~', $text);
        $millimetres = number_format(1000 * (float) $row['horizontal deviation [m]'], 1, '.', '');
        self::assertStringContainsString($millimetres, $text);
    }

    public function test_a_sheet_of_another_project_or_of_nowhere_is_not_given_out(): void
    {
        $this->ask('POST', $this->at('/reports'), ['zone' => 'Mars/Olympus'])->assertStatus(422);
        $task = $this->ask('POST', $this->at('/reports'), [])->assertOk()->json('id');
        $other = $this->project();
        $this->get("/api/v1/projects/{$other->id}/reports/$task.pdf")->assertStatus(404);
    }
}
