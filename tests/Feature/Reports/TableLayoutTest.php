<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use Parlay\Core\Geometry\Position;
use Tests\Feature\SiteTestCase;

/** Columns of the report's table that are kept under a name, of today and of issued reports. */
final class TableLayoutTest extends SiteTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->setUpInstrument($this->project);
        $point = $this->ask('POST', $this->at('/points'), ['name' => '=A1, "ü"', 'northing' => 1010.0, 'easting' => 2030.0, 'elevation' => 10.0])->assertOk()->json('id');
        $reading = $this->measure($this->project, 'stake', new Position(1010.0, 2030.0, 10.0), '=A1, "ü"');
        $this->ask('POST', $this->at('/marks'), ['key' => $this->newKey(), 'kind' => 'stake', 'pointId' => $point, 'observationId' => $reading->id, 'withoutCheck' => true, 'evenOut' => true])->assertOk();
    }

    private function table(string $path): string
    {
        $answer = $this->get('/api/v1'.$this->at($path))->assertOk();

        return (string) (str_starts_with($path, '/report.csv') ? $answer->streamedContent() : $answer->getContent());
    }

    public function test_only_its_columns_go_out_in_its_order_and_cells_stay_safe(): void
    {
        $all = $this->ask('GET', $this->at('/table-layouts'))->assertOk()->json();
        self::assertSame([], $all['layouts']);
        self::assertSame(['name', 'code', 'kind'], array_slice($all['columns'], 0, 3));
        self::assertContains('found northing', $all['columns'], 'without its unit');
        $layout = $this->ask('PUT', $this->at('/table-layouts'), ['name' => 'Client', 'columns' => ['verdict', 'name', 'found northing']])->assertOk()->json('id');
        $whole = array_map(static fn (string $l): array => str_getcsv($l, ',', '"', ''), explode("\n", trim(substr($this->table('/report.csv'), 3))));
        [$verdict, $north] = [array_search('verdict', $whole[0], true), array_search('found northing [m]', $whole[0], true)];
        $expected = "\u{FEFF}verdict,name,\"found northing [m]\"\n{$whole[1][$verdict]},\"'=A1, \"\"ü\"\"\",{$whole[1][$north]}\n";
        self::assertSame($expected, $this->table("/report.csv?layout=$layout"));
        // Of an issued report as it was; changed under its name it is the same layout.
        $this->ask('POST', $this->at('/reports'), [])->assertOk();
        self::assertSame($expected, $this->table("/report-issues/1.csv?layout=$layout"));
        self::assertSame($this->table('/report.csv'), $this->table('/report-issues/1.csv'));
        self::assertSame($layout, $this->ask('PUT', $this->at('/table-layouts'), ['name' => ' Client ', 'columns' => ['kind']])->assertOk()->json('id'));
        self::assertSame("\u{FEFF}kind\nstaked\n", $this->table("/report.csv?layout=$layout"));
        $this->ask('DELETE', $this->at("/table-layouts/$layout"))->assertStatus(204);
        $this->get('/api/v1'.$this->at("/report.csv?layout=$layout"))->assertStatus(404);
    }

    public function test_what_is_no_layout_is_refused_and_another_project_has_none_of_it(): void
    {
        foreach ([['', ['name']], ["a\nb", ['name']], ['A', []], ['A', ['name', 'name']], ['A', ['nonsense']]] as [$name, $columns]) {
            $this->ask('PUT', $this->at('/table-layouts'), ['name' => $name, 'columns' => $columns])->assertStatus(422);
        }
        $layout = $this->ask('PUT', $this->at('/table-layouts'), ['name' => 'A', 'columns' => ['name']])->assertOk()->json('id');
        $other = $this->project();
        $this->ask('DELETE', "/projects/{$other->id}/table-layouts/$layout")->assertStatus(404);
        $this->get("/api/v1/projects/{$other->id}/report.csv?layout=$layout")->assertStatus(404);
    }
}
