<?php

declare(strict_types=1);

namespace Tests\Feature\Running;

use App\Projects\Models\Project;
use App\Stakeout\Models\KeptAim;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\FeatureTestCase;

/**
 * Data folders as versions of their day made them, also those of hours in which a migration was changed after it had landed: each opens, with the same figures.
 * Each was made by that version itself (its migrations, its demo); one line was put into two of them in the form of that day.
 */
final class FormsTest extends FeatureTestCase
{
    /** @return array<string, array{string}> */
    public static function forms(): array
    {
        $forms = [];
        foreach (glob(dirname(__DIR__, 2).'/fixtures/forms/*.sqlite.gz') ?: [] as $path) {
            $forms[basename($path, '.sqlite.gz')] = [$path];
        }

        return $forms;
    }

    #[DataProvider('forms')]
    public function test_a_folder_of_that_day_opens_with_the_same_figures(string $path): void
    {
        DB::purge('book');
        array_map(unlink(...), glob("{$this->data}/parlay.sqlite*") ?: []);
        file_put_contents("{$this->data}/parlay.sqlite", gzdecode((string) file_get_contents($path)));
        $before = self::figures("{$this->data}/parlay.sqlite");
        self::assertArrayHasKey('marks', $before);

        self::assertSame(0, Artisan::call('parlay:data'), Artisan::output());
        DB::purge('book');

        foreach (self::figures("{$this->data}/parlay.sqlite") as $table => $rows) {
            foreach ($before[$table] ?? [] as $id => $row) {
                self::assertSame($row, array_intersect_key($rows[$id] ?? [], $row), "$table $id");
            }
        }
        foreach (Project::query()->get() as $project) {
            $this->opens($project, $before);
        }
        foreach (KeptAim::query()->where('kind', 'line')->get() as $line) {
            self::assertSame([150, 150], [$line->line()->count, $line->touchedLine()->count]);
            self::assertEqualsWithDelta([5000.0, 10.0, 5075.0], [
                $line->line()->beginning()->northing, $line->line()->leg(0)->from->elevation, $line->line()->end()->northing,
            ], 1e-9);
        }
    }

    /** @param  array<string, array<int, array<string, mixed>>>  $before */
    private function opens(Project $project, array $before): void
    {
        $at = "/projects/{$project->id}";
        $setup = $this->ask('GET', $at)->assertOk()->json('setup');
        $last = array_filter($before['setups'], static fn (array $s) => $s['project_id'] === $project->id);
        self::assertSame([end($last)['northing'], end($last)['orientation']], [(float) $setup['northing'], (float) $setup['orientation']]);
        foreach (['', '/control', '/points?fields=all', '/designs', '/worklists', '/codes', '/instruments', '/targets', '/setup', '/checks', '/aims', '/runs', '/surfaces', '/alignments', '/field-book', '/setup-proposals', '/live'] as $part) {
            $this->ask('GET', $at.explode('?', $part)[0])->assertOk();
        }
        $kept = array_filter($before['marks'], static fn (array $m) => $m['project_id'] === $project->id);
        $marks = array_column($this->ask('GET', "$at/marks")->assertOk()->json(), null, 'id');
        self::assertNotSame([], $marks);
        foreach ($marks as $id => $mark) {
            self::assertSame([$kept[$id]['northing'], $kept[$id]['elevation'], $kept[$id]['name']], [(float) $mark['found']['northing'], (float) $mark['found']['elevation'], $mark['name']]);
            if ($mark['deviation'] !== null) {
                self::assertEqualsWithDelta($kept[$id]['northing'] - $kept[$id]['design_northing'], $mark['deviation']['northing'], 1e-9);
            }
        }
        $rows = explode("\n", trim((string) $this->get("/api/v1$at/report.csv")->assertOk()->streamedContent()));
        self::assertGreaterThan(10, count($rows));
        $this->ask('POST', "$at/open")->assertJsonMissing(['exception' => true]);
    }

    /** @return array<string, array<int, array<string, mixed>>> rows by table and number: what was measured and designed */
    private static function figures(string $path): array
    {
        $db = new \PDO("sqlite:$path", options: [\PDO::ATTR_STRINGIFY_FETCHES => false]);
        $figures = [];
        foreach (['control_points', 'stakeout_points', 'setups', 'observations', 'marks', 'design_layers', 'designs'] as $table) {
            foreach ($db->query("SELECT * FROM $table")->fetchAll(\PDO::FETCH_ASSOC) as $row) {
                // How rows are counted and told changes with versions, and is no figure.
                unset($row['number'], $row['seq'], $row['origin'], $row['setup_id'], $row['source'], $row['description']);
                $figures[$table][(int) $row['id']] = $row;
            }
        }

        return $figures;
    }
}
