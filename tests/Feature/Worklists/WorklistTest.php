<?php

declare(strict_types=1);

namespace Tests\Feature\Worklists;

use App\Projects\Models\Project;
use Tests\FeatureTestCase;

/** Worklists: what is on them, what comes next, and the way over them. */
final class WorklistTest extends FeatureTestCase
{
    private Project $project;

    /** @var array<string, int> points by name: in a row from west to east, ten metres apart */
    private array $ids = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        foreach (['A', 'B', 'C', 'D', 'E'] as $k => $name) {
            $this->ids[$name] = $this->ask('POST', $this->at('/points'), ['name' => $name, 'northing' => 0.0, 'easting' => 10.0 * $k])->assertOk()->json('id');
        }
    }

    private function at(string $path): string
    {
        return "/projects/{$this->project->id}$path";
    }

    /** @return list<int> */
    private function points(string $names): array
    {
        return $names === '' ? [] : array_map(fn (string $n): int => $this->ids[$n], str_split($names));
    }

    /** @param  array<string, mixed>  $wanted */
    private function next(array $wanted): string
    {
        $found = $this->ask('POST', $this->at('/next-open'), $wanted)->assertOk()->json();

        return array_search($found['pointId'], $this->ids, true).' of '.$found['left'];
    }

    public function test_a_list_holds_each_point_once_and_none_of_another_project(): void
    {
        $other = $this->project();
        $foreign = $this->ask('POST', "/projects/{$other->id}/points", ['name' => 'X', 'northing' => 0.0, 'easting' => 0.0])->json('id');
        $list = $this->ask('POST', $this->at('/worklists'), ['name' => 'North ö "1"', 'pointIds' => [...$this->points('CAC'), $foreign, 999_999]])->assertOk()->json();
        self::assertSame(['North ö "1"', $this->points('CA')], [$list['name'], $list['pointIds']]);
        $this->ask('POST', $this->at('/worklists'), ['name' => 'North ö "1"', 'pointIds' => []])->assertStatus(422)->assertSee('already');
        $this->ask('PUT', "/projects/{$other->id}/worklists/{$list['id']}", ['name' => 'Mine', 'pointIds' => []])->assertStatus(404);
    }

    public function test_of_two_who_change_a_list_the_later_is_told(): void
    {
        $list = $this->ask('POST', $this->at('/worklists'), ['name' => 'L', 'pointIds' => $this->points('AB')])->json('id');
        $change = fn (string $to, ?string $expected) => $this->ask('PUT', $this->at("/worklists/$list"), [
            'name' => 'L', 'pointIds' => $this->points($to), 'expected' => $expected === null ? null : $this->points($expected),
        ]);
        $change('ABC', 'AB')->assertOk();
        $change('ABD', 'AB')->assertStatus(422)->assertSee('meanwhile');
        $change('', '')->assertStatus(422);
        self::assertSame($this->points('ABC'), $this->ask('GET', $this->at('/worklists'))->json('0.pointIds'));
        $change('E', null)->assertOk();
        $this->ask('POST', $this->at('/undo'))->assertOk();
        self::assertSame($this->points('ABC'), $this->ask('GET', $this->at('/worklists'))->json('0.pointIds'));
    }

    public function test_what_comes_next_is_the_nearest_the_next_of_the_list_or_the_first_of_a_walk(): void
    {
        $list = $this->ask('POST', $this->at('/worklists'), ['name' => 'L', 'pointIds' => $this->points('DBAC')])->json('id');
        $here = ['northing' => 1.0, 'easting' => 19.0];
        self::assertSame('C of 5', $this->next($here));
        self::assertSame('E of 5', $this->next(['northing' => 0.0, 'easting' => 400.0]));
        self::assertSame('D of 4', $this->next(['northing' => 0.0, 'easting' => 400.0, 'list' => $list]), 'E is not on the list');
        self::assertSame('A of 2', $this->next($here + ['only' => $this->points('AE')]));
        $listed = $here + ['list' => $list, 'rule' => 'listed'];
        self::assertSame(['D of 4', 'A of 4', 'D of 4'], [$this->next($listed), $this->next($listed + ['after' => $this->ids['B']]), $this->next($listed + ['after' => $this->ids['C']])]);
        $this->ask('POST', $this->at("/worklists/$list/skipping"), ['pointId' => $this->ids['A'], 'skipped' => true])->assertOk();
        self::assertSame('C of 3', $this->next($listed + ['after' => $this->ids['B']]), 'what is left out is passed over');
        $this->ask('POST', $this->at("/worklists/$list/skipping"), ['pointId' => $this->ids['A'], 'skipped' => false])->assertOk();
        self::assertSame('A of 4', $this->next($listed + ['after' => $this->ids['B']]));
        self::assertSame('A of 5', $this->next(['northing' => 0.0, 'easting' => 4.0, 'rule' => 'walk']), 'the short walk begins at its near end');
    }

    public function test_a_walk_goes_by_name_as_listed_or_short_and_its_length_is_that_of_its_legs(): void
    {
        $walk = function (string $names, string $kind, array $from = []): array {
            $found = $this->ask('POST', $this->at('/walk'), ['pointIds' => $this->points($names), 'kind' => $kind] + $from)->assertOk()->json();

            return [implode('', array_map(fn (int $id): string => (string) array_search($id, $this->ids, true), $found['pointIds'])), $found['length']];
        };
        self::assertSame(['CAEB', 90.0], [$walk('CAEB', 'asListed')[0], round($walk('CAEB', 'asListed')[1], 9)]);
        self::assertSame(['ABCE', 40.0], [$walk('CAEB', 'byName')[0], round($walk('CAEB', 'byName')[1], 9)]);
        foreach (['ABCDE' => -7.0, 'EDCBA' => 52.0] as $order => $easting) {
            $here = $this->ask('POST', $this->at('/points'), ['name' => "from $easting", 'northing' => 0.0, 'easting' => $easting])->json('id');
            [$found, $length] = $walk('CAEBD', 'shortWalk', ['from' => ['pointId' => $here]]);
            self::assertSame($order, $found);
            self::assertEqualsWithDelta(40.0 + ($easting < 0.0 ? 7.0 : 12.0), $length, 1e-9, 'with the way to the first');
        }
        self::assertSame([], $this->ask('POST', $this->at('/walk'), ['pointIds' => [], 'kind' => 'shortWalk'])->assertOk()->json('pointIds'));
    }
}
