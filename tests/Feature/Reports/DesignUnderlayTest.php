<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use App\Designs\Models\Design;
use App\Reports\DesignUnderlay;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Window;
use Tests\Feature\SiteTestCase;

/** The designs behind a printed plan: what is shown and lies there, cut at its frame. */
final class DesignUnderlayTest extends SiteTestCase
{
    private const DXF = "0\nSECTION\n2\nENTITIES\n0\nLINE\n8\nWALLS\n10\n2000\n20\n1010\n11\n2100\n21\n1010\n0\nCIRCLE\n8\nCOLUMNS\n10\n2030\n20\n1012\n40\n2\n"
        ."0\nLINE\n8\nWALLS\n10\n2500\n20\n1010\n11\n2600\n21\n1010\n0\nLINE\n8\nWALLS\n10\n2030\n20\n1010\n11\n2030.01\n21\n1010\n0\nENDSEC\n0\nEOF\n";

    /** @return list<array{array{float, float}, array{float, float}}> */
    private function lines(): array
    {
        return iterator_to_array((new DesignUnderlay($this->project))->lines(new Window(2010.0, 1000.0, 2050.0, 1020.0)), false);
    }

    private function take(): Design
    {
        $task = $this->ask('POST', $this->at('/designs'), ['upload' => $this->upload($this->project, self::DXF, 'yard.dxf'), 'name' => 'Yard', 'unit' => 'm', 'layers' => ['WALLS', 'COLUMNS'], 'heights' => 'dropped'])->assertOk()->json('id');
        $this->ask('GET', $this->at("/tasks/$task"))->assertJson(['state' => 'done']);

        return Design::of($this->project)->firstOrFail();
    }

    public function test_lines_are_cut_at_the_frame_and_round_things_are_drawn_by_chords(): void
    {
        $this->take();
        $lines = $this->lines();
        self::assertEqualsWithDelta([[2010.0, 1010.0], [2050.0, 1010.0]], $lines[0], 1e-9);
        self::assertCount(1 + 24, $lines, 'what lies elsewhere, and what is a dot, is not there');
        foreach (array_slice($lines, 1) as [[$e, $n]]) {
            self::assertEqualsWithDelta(2.0, hypot($e - 2030.0, $n - 1012.0), 1e-9);
        }
    }

    public function test_what_is_not_shown_or_was_removed_is_not_behind_it(): void
    {
        $design = $this->take();
        DB::table('design_layers')->where('name', 'COLUMNS')->update(['visible' => false]);
        self::assertCount(1, $this->lines());
        $design->update(['removed_at' => '2026-12-02T00:00:00Z']);
        self::assertSame([], $this->lines());
    }
}
