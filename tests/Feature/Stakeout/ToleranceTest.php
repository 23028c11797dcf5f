<?php

declare(strict_types=1);

namespace Tests\Feature\Stakeout;

use Parlay\Core\Geometry\Position;
use Tests\Feature\SiteTestCase;

/** What may stand above its design and what below, from the list of codes to the report. */
final class ToleranceTest extends SiteTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->setUpInstrument($this->project);
    }

    /** @return array<string, mixed> */
    private function built(string $name, float $high): array
    {
        $point = $this->ask('POST', $this->at('/points'), ['name' => $name, 'code' => 'FLOOR', 'northing' => 1012.0, 'easting' => 2030.0, 'elevation' => 10.0])->assertOk()->json('id');
        $reading = $this->measure($this->project, 'as_built', new Position(1012.0, 2030.0, 10.0 + $high), $name);

        return $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => 'as_built', 'pointId' => $point, 'observationId' => $reading->id, 'withoutCheck' => true,
        ])->assertOk()->json();
    }

    public function test_a_floor_that_must_not_stand_too_high_is_judged_so_from_its_code_to_the_report(): void
    {
        $list = "code,plan tolerance [mm],height tolerance [mm],tolerance above [mm]\nFLOOR,40,30,1\n";
        $this->ask('POST', $this->at('/codes-list'), ['text' => $list])->assertOk();
        [$low, $high] = [$this->built('F1', -0.025), $this->built('F2', 0.012)];
        self::assertSame(['in', 'out'], [$low['verdict'], $high['verdict']], 'ten up is more than ten down');
        self::assertEqualsWithDelta([0.04, 0.03, 0.001], [$high['planTolerance'], $high['heightTolerance'], $high['aboveTolerance']], 1e-12);
        self::assertGreaterThan($high['conformance']['height'], $low['conformance']['height']);

        $rows = array_map(static fn (string $l): array => str_getcsv($l, ',', '"', ''), explode("\n", trim((string) $this->get('/api/v1'.$this->at('/report.csv'))->streamedContent())));
        $column = array_search('tolerance above [m]', $rows[0], true);
        self::assertIsInt($column);
        self::assertSame(['0.0010', '0.0010'], [$rows[1][$column], $rows[2][$column]]);
        // A list without that column leaves it as it is.
        $this->ask('POST', $this->at('/codes-list'), ['text' => "code,trade\nFLOOR,Concrete\n"])->assertOk();
        self::assertSame([0.001, 'Concrete'], [$this->ask('GET', $this->at('/codes'))->json('0.aboveTolerance'), $this->ask('GET', $this->at('/codes'))->json('0.trade')]);
        // The list goes out as it came in.
        self::assertStringContainsString('FLOOR,,Concrete,,,0.04,0.03,0.001', (string) $this->get('/api/v1'.$this->at('/codes-file'))->streamedContent());
    }

    public function test_the_project_may_say_it_for_all_and_a_code_of_its_own_height_is_judged_either_way(): void
    {
        $seen = $this->ask('GET', $this->at(''))->json();
        $settings = array_intersect_key($seen, array_flip(['name', 'units', 'planTolerance', 'heightTolerance', 'residualLimit', 'acceptance', 'acceptanceLevel']));
        $this->ask('PUT', $this->at(''), ['aboveTolerance' => 0.0, 'heightTolerance' => 0.03] + $settings)->assertOk()->assertJsonPath('aboveTolerance', 0);
        self::assertSame('out', $this->built('F1', 0.02)['verdict']);
        $this->ask('POST', $this->at('/codes'), ['code' => 'FLOOR', 'heightTolerance' => 0.03])->assertOk();
        self::assertSame('in', $this->built('F2', 0.02)['verdict']);
    }

    public function test_less_than_nothing_is_refused(): void
    {
        $this->ask('POST', $this->at('/codes'), ['code' => 'FLOOR', 'aboveTolerance' => -0.001])->assertStatus(422)
            ->assertJsonPath('message', 'What may stand above the design is 0 or more. Leave it empty where as much is allowed as below.');
    }
}
