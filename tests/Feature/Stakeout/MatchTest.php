<?php

declare(strict_types=1);

namespace Tests\Feature\Stakeout;

use App\Stakeout\Models\Mark;
use Parlay\Core\Geometry\Position;
use Tests\Feature\SiteTestCase;

/** As-built shots that were measured by themselves, and are held against design points afterwards. */
final class MatchTest extends SiteTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->setUpInstrument($this->project);
    }

    private function point(string $name, float $north, string $code = ''): int
    {
        return $this->ask('POST', $this->at('/points'), ['name' => $name, 'code' => $code, 'northing' => $north, 'easting' => 2030.0, 'elevation' => 10.0])->assertOk()->json('id');
    }

    private function shot(string $name, float $north, string $code = ''): int
    {
        $reading = $this->measure($this->project, 'as_built', new Position($north, 2030.0, 10.0), $name);

        return $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => 'as_built', 'name' => $name, 'code' => $code, 'observationId' => $reading->id, 'withoutCheck' => true,
        ])->assertOk()->json('id');
    }

    /** @param  array<int, int|null>  $pairs  points by marks */
    private function keep(array $pairs): \Illuminate\Testing\TestResponse
    {
        return $this->ask('POST', $this->at('/built-matches'), ['matches' => array_map(static fn (int $m, ?int $p): array => ['markId' => $m, 'pointId' => $p], array_keys($pairs), $pairs)]);
    }

    public function test_what_each_shot_may_be_of_is_told_with_what_is_not_plain(): void
    {
        [$a, $b] = [$this->point('A', 1010.0, 'BOLT'), $this->point('B', 1012.0)];
        [$s, $t, $u] = [$this->shot('S', 1010.03), $this->shot('T', 1012.02), $this->shot('U', 1012.06)];
        $this->shot('far', 1015.0);
        [$first, $second, $third, $none] = $this->ask('GET', $this->at('/built-matches?reach=0.2'))->assertOk()->json();
        self::assertSame([$s, 'S', $a, 'A', 'BOLT', false, null], [$first['markId'], $first['name'], $first['candidates'][0]['pointId'], $first['candidates'][0]['name'], $first['candidates'][0]['code'], $first['candidates'][0]['built'], $first['doubt']]);
        self::assertEqualsWithDelta(0.03, $first['candidates'][0]['distance'], 0.006);
        self::assertSame([$t, 'shared', $u, 'shared', $b], [$second['markId'], $second['doubt'], $third['markId'], $third['doubt'], $third['candidates'][0]['pointId']]);
        self::assertSame(['far', []], [$none['name'], $none['candidates']]);
        self::assertSame([[], []], array_column(array_slice($this->ask('GET', $this->at('/built-matches?reach=0.2&code=BOLT'))->json(), 1, 2), 'candidates'), 'by code');
        $this->ask('GET', $this->at('/built-matches?reach=0'))->assertStatus(422);
    }

    public function test_it_is_judged_as_if_it_had_been_held_against_it_at_once_and_the_shot_stays_in_the_book(): void
    {
        $this->ask('POST', $this->at('/codes'), ['code' => 'BOLT', 'planTolerance' => 0.02, 'heightTolerance' => 0.05])->assertOk();
        $a = $this->point('A', 1010.0, 'BOLT');
        $s = $this->shot('S', 1010.03);
        self::assertSame(1, $this->keep([$s => $a])->assertOk()->json('count'));
        [$mark] = $this->ask('GET', $this->at('/marks'))->json();
        self::assertSame([$a, 'S', 'BOLT', 'out', 0.02], [$mark['pointId'], $mark['name'], $mark['code'], $mark['verdict'], $mark['planTolerance']]);
        self::assertNotNull($mark['conformance']['planUncertain']);
        self::assertLessThan($mark['at'], $mark['measuredAt']);
        self::assertSame([$s, null], [Mark::query()->findOrFail($mark['id'])->mends, Mark::query()->findOrFail($s)->design()]);
        // The same as one that was held against it when it was measured.
        $again = $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => 'as_built', 'pointId' => $a, 'observationId' => $this->measure($this->project, 'as_built', new Position(1010.03, 2030.0, 10.0), 'S')->id, 'withoutCheck' => true, 'name' => 'S',
        ])->assertOk()->json();
        foreach (['code', 'judged', 'planTolerance', 'heightTolerance', 'aboveTolerance', 'verdict', 'design', 'leaves'] as $what) {
            self::assertSame($again[$what], $mark[$what], $what);
        }
        [$correction] = $this->ask('GET', $this->at('/corrections'))->assertOk()->json();
        self::assertSame(['matched', 'S', 1], [$correction['kind'], $correction['what'], $correction['turned']]);
        self::assertStringContainsString('held against it afterwards', (string) $this->get('/api/v1'.$this->at('/report.csv'))->streamedContent());
        self::assertSame([], $this->ask('GET', $this->at('/built-matches'))->json());
        // And taken back.
        $this->keep([$mark['id'] => null])->assertOk();
        self::assertSame(['S'], array_column($this->ask('GET', $this->at('/built-matches'))->json(), 'name'));
        $loose = $this->ask('GET', $this->at('/marks'))->collect()->firstWhere('pointId', null);
        self::assertSame(['undecided', null, null], [$loose['verdict'], $loose['design'], $loose['conformance']]);
    }

    public function test_all_of_them_are_kept_or_none(): void
    {
        $a = $this->point('A', 1010.0);
        [$s, $t] = [$this->shot('S', 1010.0), $this->shot('T', 1010.1)];
        $this->keep([$s => $a, $t => 999])->assertStatus(422)->assertJsonPath('message', 'A point for T is gone. Nothing was changed: look at them again.');
        $this->keep([$s => $a, 999 => $a])->assertStatus(422);
        self::assertSame(2, Mark::query()->where('kind', 'as_built')->count());
        $this->keep([$s => $a])->assertOk();
        $this->keep([$s => $a])->assertStatus(422)->assertJsonPath('message', 'One of the shots was changed or struck meanwhile. Nothing was changed: look at them again.');
        $other = $this->project();
        $this->ask('POST', "/projects/{$other->id}/built-matches", ['matches' => [['markId' => $t, 'pointId' => $a]]])->assertStatus(422);
    }
}
