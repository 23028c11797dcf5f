<?php

declare(strict_types=1);

namespace Tests\Feature\FieldBook;

use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;
use Tests\Feature\SiteTestCase;

/** The field book keeps what was measured, in its order, whatever becomes of it. */
final class FieldBookTest extends SiteTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->setUpInstrument($this->project);
    }

    /** @return list<array<string, mixed>> */
    private function book(): array
    {
        return $this->ask('GET', $this->at('/field-book'))->assertOk()->json();
    }

    public function test_readings_setups_and_marks_stand_in_the_order_in_which_they_came(): void
    {
        $reading = $this->measure($this->project, 'as_built', new Position(1010.0, 2020.0, 10.0));
        $this->ask('POST', $this->at('/marks'), ['key' => $this->newKey(), 'kind' => 'as_built', 'name' => 'kerb "ü"', 'observationId' => $reading->id, 'withoutCheck' => true])->assertOk();
        $book = $this->book();
        self::assertSame(['as_built', 'reading', 'setup', 'reading', 'reading', 'reading'], array_column($book, 'kind'));
        self::assertSame('kerb "ü"', $book[0]['mark']['name']);
        self::assertSame($reading->id, $book[0]['reading']['id'], 'a mark opens to the reading it came from');
        $seqs = array_column($book, 'seq');
        $sorted = $seqs;
        rsort($sorted);
        self::assertSame($sorted, $seqs);
    }

    public function test_it_is_searched_by_name_and_narrowed_to_one_kind_of_line(): void
    {
        foreach (['kerb 1', 'KERB 2', '100 % "ü"', '1000'] as $i => $name) {
            $reading = $this->measure($this->project, 'as_built', new Position(1010.0 + $i, 2020.0, 10.0), $name);
            $this->ask('POST', $this->at('/marks'), ['key' => $this->newKey(), 'kind' => 'as_built', 'name' => $name, 'observationId' => $reading->id, 'withoutCheck' => true])->assertOk();
        }
        $found = fn (string $query): array => array_map(
            static fn (array $e): string => "{$e['kind']} ".($e['mark']['name'] ?? $e['setup']['setup']['stationName'] ?? $e['reading']['sighted']),
            $this->ask('GET', $this->at("/field-book?$query"))->assertOk()->json(),
        );
        self::assertSame(['as_built KERB 2', 'reading KERB 2', 'as_built kerb 1', 'reading kerb 1'], $found('name=kerb'));
        self::assertSame(['as_built 100 % "ü"', 'reading 100 % "ü"'], $found('name='.rawurlencode('100 %')), 'a sign of the search is a sign');
        self::assertSame([], $found('name=none'));
        self::assertSame(['as_built 1000', 'as_built 100 % "ü"'], $found('show=as_built&name=10'));
        self::assertSame(['as_built KERB 2'], $found('show=as_built&name=kerb&limit=1'));
        self::assertCount(1, $found('show=setups'));
        self::assertSame([], $found('show=checks'));
        self::assertSame([], $found('show=struck'));
        $mark = DB::table('marks')->where('name', 'kerb 1')->value('id');
        $this->ask('POST', $this->at("/marks/$mark/strikes"), ['struck' => true, 'reason' => 'twice'])->assertOk();
        self::assertSame(['as_built kerb 1'], $found('show=struck'));
        $this->ask('GET', $this->at('/field-book?show=rubbish'))->assertStatus(422)->assertSee('must be one of');
    }

    public function test_nothing_in_it_is_changed_or_taken_away(): void
    {
        $id = DB::table('observations')->where('project_id', $this->project->id)->min('id');
        foreach (['UPDATE observations SET slope = 1 WHERE id = ?', 'DELETE FROM observations WHERE id = ?'] as $sql) {
            try {
                DB::statement($sql, [$id]);
                self::fail("$sql was let through");
            } catch (\Illuminate\Database\QueryException $e) {
                self::assertStringContainsString('field book', $e->getMessage());
            }
        }
    }

    public function test_a_target_height_said_wrong_is_mended_beside_the_reading_with_its_reason(): void
    {
        $reading = $this->measure($this->project, 'as_built', new Position(1010.0, 2020.0, 10.0));
        $mend = fn (array $more) => $this->ask('POST', $this->at('/corrections'), $more + [
            'observationId' => $reading->id, 'targetHeight' => 1.6, 'prismConstant' => 0.0, 'note' => 'the pole was pushed in',
        ]);
        $mend(['note' => ' '])->assertStatus(422)->assertSee('why');
        $mend(['targetHeight' => 9.0])->assertStatus(422);
        $mend([])->assertOk()->assertJson(['count' => 1]);
        $now = $this->book()[0]['reading'];
        self::assertEqualsWithDelta(2.0, DB::table('observations')->where('id', $reading->id)->value('target_height'), 1e-12, 'what was said then stays');
        self::assertEqualsWithDelta($reading->slope, $now['slope'], 1e-9);
        self::assertSame('the pole was pushed in', DB::table('corrections')->where('observation_id', $reading->id)->value('note'));
    }
}
