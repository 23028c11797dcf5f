<?php

declare(strict_types=1);

namespace Tests\Feature\Running;

use App\Projects\Models\Project;
use Illuminate\Support\Facades\DB;
use Tests\FeatureTestCase;

/** A list asks the database as often for twenty rows as for five. */
final class QueriesTest extends FeatureTestCase
{
    use FillsLists;

    public function test_every_list_asks_as_often_for_many_rows_as_for_few(): void
    {
        $project = $this->filled();
        $this->draw($project, 'LINES', array_map(static fn (int $k) => 1200.0 + 10 * $k, range(1, 6)));
        $this->prepare($project, [1, 2]);
        $lists = self::lists();
        $few = $this->counts($project, $lists);
        $this->fill($project, range(6, 20));
        $this->prepare($project, range(3, 6));
        $many = $this->counts($project, $lists);
        $grown = [];
        foreach ($many as $list => [$rows, $queries]) {
            if ($queries > $few[$list][1]) {
                $grown[] = "$list: {$few[$list][1]} queries for {$few[$list][0]} rows, $queries for $rows";
            }
        }
        self::assertSame([], $grown);
        // Those that can grow by what was filled in here have grown, or nothing was held.
        foreach (['control', 'grid-lines', 'designs', 'field-book', 'codes', 'points', 'aims', 'marks', 'worklists', 'alignments', 'surfaces', 'instruments', 'targets'] as $list) {
            self::assertGreaterThan($few[$list][0], $many[$list][0], $list);
        }
    }

    /** @param  list<int>  $numbers */
    private function prepare(Project $project, array $numbers): void
    {
        foreach ($numbers as $k) {
            $this->draw($project, "K$k", [1300.0 + $k]);
            $n = 1200.0 + 10 * $k;
            $this->ask('POST', "/projects/{$project->id}/aims/in-box", ['key' => $this->newKey(), 'south' => $n - 0.5, 'west' => 1990.0, 'north' => $n + 0.5, 'east' => 2050.0])->assertOk();
            $layer = DB::table('design_layers')->join('designs', 'designs.id', '=', 'design_id')->where('designs.name', 'LINES')->value('design_layers.id');
            $this->ask('POST', "/projects/{$project->id}/aims", ['key' => $this->newKey(), 'line' => ['shapes' => [['layerId' => $layer, 'shape' => $k - 1]]]])->assertOk();
            $ids = [];
            foreach ([[0, 0], [9, 0], [0, 9]] as [$dn, $de]) {
                $ids[] = $this->ask('POST', "/projects/{$project->id}/points", ['name' => "G$k.$dn.$de", 'northing' => 1100.0 + 20 * $k + $dn, 'easting' => 2000.0 + $de, 'elevation' => 10.0])->json('id');
            }
            $this->ask('POST', "/projects/{$project->id}/surfaces", ['name' => "Pad $k", 'kind' => 'design', 'pointIds' => $ids])->assertOk();
            $corner = static fn (float $n, float $e, float $r = 0.0): array => ['northing' => $n, 'easting' => $e, 'radius' => $r];
            $this->ask('POST', "/projects/{$project->id}/alignments", ['name' => "Track $k", 'given' => ['corners' => [
                $corner(1005 + $k, 2010), $corner(1045 + $k, 2010, 10), $corner(1045 + $k, 2040),
            ]]])->assertOk();
            $this->ask('POST', "/projects/{$project->id}/instruments", ['name' => "I$k", 'directionSeconds' => 1.0, 'distanceMillimetres' => 1.0, 'distancePpm' => 1.0])->assertOk();
            $this->ask('POST', "/projects/{$project->id}/targets", ['name' => "T$k", 'height' => 1.5, 'prismConstant' => 0.0])->assertOk();
        }
    }

    /**
     * One straight line of forty metres at each northing.
     *
     * @param  list<float>  $northings
     */
    private function draw(Project $project, string $name, array $northings): void
    {
        $lines = implode('', array_map(
            static fn (float $n): string => "0\nLINE\n5\nA1\n8\nKERB\n10\n2000.0\n20\n$n\n30\n10.0\n11\n2040.0\n21\n$n\n31\n10.0\n", $northings,
        ));
        $this->ask('POST', "/projects/{$project->id}/designs", [
            'upload' => $this->upload($project, "0\nSECTION\n2\nENTITIES\n{$lines}0\nENDSEC\n0\nEOF\n", "$name.dxf"), 'name' => $name, 'unit' => 'm',
            'layers' => ['KERB'], 'heights' => 'used',
        ])->assertOk();
    }

    /** @return list<string> every list of a project, as the interface describes them */
    private static function lists(): array
    {
        $described = json_decode((string) file_get_contents(resource_path('js/api/generated/openapi.json')), true, flags: JSON_THROW_ON_ERROR);
        $lists = [];
        foreach ($described['paths'] as $path => $operations) {
            $isList = ($operations['get']['responses']['200']['content']['application/json']['schema']['type'] ?? '') === 'array';
            if ($isList && preg_match('~^/api/v1/projects/\{project\}/([a-z-]+)$~', (string) $path, $found) === 1) {
                $lists[] = $found[1];
            }
        }
        self::assertGreaterThan(15, count($lists));

        return $lists;
    }

    /**
     * @param  list<string>  $lists
     * @return array<string, array{int, int}> rows, and how often the database was asked for them
     */
    private function counts(Project $project, array $lists): array
    {
        $counts = [];
        foreach ($lists as $list) {
            $asked = 0;
            foreach (['book', 'live'] as $connection) {
                DB::connection($connection)->flushQueryLog();
                DB::connection($connection)->enableQueryLog();
            }
            $answer = $this->ask('GET', "/projects/{$project->id}/$list");
            foreach (['book', 'live'] as $connection) {
                $asked += count(DB::connection($connection)->getQueryLog());
                DB::connection($connection)->disableQueryLog();
            }
            self::assertGreaterThan(0, $asked, $list);
            $counts[$list] = [count($answer->assertOk()->json()), $asked];
        }

        return $counts;
    }
}
