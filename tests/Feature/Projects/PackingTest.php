<?php

declare(strict_types=1);

namespace Tests\Feature\Projects;

use App\Control\Models\ControlPoint;
use App\Designs\Models\Design;
use App\Instrument\Models\Observation;
use App\Packing\Actions\UnpackProject;
use App\Packing\Packing;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Setups\Models\Setup;
use App\Worklists\Models\Worklist;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Parlay\Core\Geometry\Position;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\FeatureTestCase;

/** A whole project into one file and back, with its original files and its field book. */
final class PackingTest extends FeatureTestCase
{
    use WorkedProject;

    public function test_a_packed_project_comes_back_whole_beside_the_one_that_is_here(): void
    {
        $project = $this->worked();
        $made = $this->arrived($this->packed($project));
        self::assertInstanceOf(Project::class, $made);
        self::assertNotSame($project->id, $made->id);
        foreach (array_keys(Packing::TABLES) as $table) {
            self::assertSame(self::rows($table, $project->id), self::rows($table, $made->id), $table);
        }
        self::assertNotNull(Setup::current($made)->first());
        $book = static fn (int $project): array => DB::table('field_book')->where('project_id', $project)
            ->orderBy('seq')
            ->get(['kind', 'at'])
            ->map(static fn (object $l) => (array) $l)
            ->all();
        self::assertSame($book($project->id), $book($made->id), 'the book stands in its order');
        $file = fn (int $project): string => (string) hash_file(
            'sha256', $this->data.'/uploads/'.DB::table('designs')->where('project_id', $project)->value('upload'),
        );
        self::assertSame($file($project->id), $file($made->id));
        self::assertSame('design', Design::of($made)->findOrFail($made->active_design_id)->role);
        $spot = StakeoutPoint::of($made)->where('name', 'P1')->firstOrFail()->recipe['construction']['places'][0]['spot'];
        self::assertSame(
            Design::of($made)->firstOrFail()->id, (int) DB::table('design_layers')->where('id', $spot['layerId'])->value('design_id'),
            'a recipe names the layer of its own project',
        );
        $p1 = StakeoutPoint::of($made)->where('name', 'P1')->firstOrFail()->id;
        self::assertSame($p1, StakeoutPoint::of($made)->where('name', 'P2')->firstOrFail()->recipe['construction']['places'][0]['pointId']);
        self::assertSame([$p1], Worklist::of($made)->firstOrFail()->point_ids);
        self::assertSame([true], array_column($this->ask('GET', "/projects/{$made->id}/phases")->json(), 'current'), 'a phase names what is of its own project');
        self::assertInstanceOf(Project::class, $this->arrived($this->packed($project)));
        self::assertSame(3, Project::query()->count(), 'the same file may come in twice');
    }

    public function test_setups_that_come_in_are_worked_out_anew_from_their_own_readings(): void
    {
        $project = $this->worked();
        $made = $this->arrived($this->packed($project));
        self::assertInstanceOf(Project::class, $made);
        $setup = Setup::of($made)->firstOrFail();
        $readings = array_column($setup->draft['sights'], 'observationId');
        self::assertCount(3, $readings);
        self::assertSame(
            $readings, Observation::of($made)->whereIn('id', $readings)->pluck('id')->all(), 'they are readings of the new project',
        );
        self::assertSame($readings, array_column($setup->sights, 'observationId'));
        self::assertSame($setup->id, ControlPoint::of($made)->where('origin', 'station')->firstOrFail()->setup_id);
        $mended = array_values(array_filter(
            $this->ask('GET', "/projects/{$made->id}/setup-proposals")->json(), static fn (array $p) => (float) $p['up'] !== 0.0,
        ));
        self::assertSame([], $mended, 'as they came, they are as they were accepted');
        $this->ask(
            'POST', "/projects/{$made->id}/corrections",
            ['observationId' => $readings[0], 'targetHeight' => 1.9, 'prismConstant' => 0.0, 'note' => 'pushed in', 'alike' => true],
        )->assertOk();
        self::assertEqualsWithDelta(-0.1, $this->ask('GET', "/projects/{$made->id}/setup-proposals")->json('0.up'), 0.003);
    }

    /** An old setup that is unpacked says nothing of where the instrument stands now: it takes it from nobody, and holds once a check proves it. */
    public function test_an_unpacked_setup_takes_the_instrument_from_nobody_and_is_proven_by_a_check(): void
    {
        $project = $this->worked();
        $made = $this->arrived($this->packed($project));
        self::assertInstanceOf(Project::class, $made);
        self::assertTrue(Setup::current($project)->firstOrFail()->holds());
        $live = fn (Project $p): array => array_intersect_key($this->ask('GET', "/projects/{$p->id}/live")->json(), ['elsewhere' => 0, 'unproven' => 0]);
        self::assertEquals(['elsewhere' => null, 'unproven' => false], $live($project));
        self::assertTrue($live($made)['unproven']);
        self::assertFalse(Setup::current($made)->firstOrFail()->holds());
        $measure = fn (string $purpose, array $more): TestResponse => $this->ask('POST', "/projects/{$made->id}/instrument/measure", ['key' => $this->newKey(), 'purpose' => $purpose] + $more);
        $point = StakeoutPoint::of($made)->firstOrFail()->id;
        self::assertStringContainsString('packed project', (string) $measure('stake', ['pointId' => $point])->json('message'));

        $control = ControlPoint::listed($made)->where('name', 'B')->firstOrFail();
        // A check that does not fit proves nothing; one that fits does.
        foreach ([0.5, 0.0] as $off) {
            $b = $this->world->marks['B'];
            $observation = $this->measure($made, 'check', new Position($b->northing + $off, $b->easting, $b->elevation), 'B');
            $this->ask('POST', "/projects/{$made->id}/marks", ['key' => $this->newKey(), 'kind' => 'check', 'observationId' => $observation->id, 'controlId' => $control->id])->assertOk();
            self::assertSame($off === 0.0, Setup::current($made)->firstOrFail()->holds());
        }
        self::assertFalse(Setup::current($project)->firstOrFail()->holds(), 'it stands there now');
        self::assertSame('Saltmarsh', $live($project)['elsewhere']);
    }

    public function test_a_station_packed_by_an_earlier_version_is_still_told_from_listed_control(): void
    {
        $project = $this->worked();
        $packed = tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($packed, $this->packed($project));
        $zip = new \ZipArchive;
        $zip->open($packed);
        $rows = array_map(
            static fn (string $line) => json_decode($line, true),
            explode("\n", trim((string) $zip->getFromName('tables/control_points.ndjson'))),
        );
        $earlier = implode("\n", array_map(static fn (array $r) => json_encode(array_diff_key(
            $r['origin'] === 'station' ? ['source' => "measured: setup {$r['setup_id']}"] + $r : $r, ['origin' => 0, 'setup_id' => 0],
        )), $rows))."\n";
        $zip->addFromString('tables/control_points.ndjson', $earlier);
        $manifest = json_decode((string) $zip->getFromName(Packing::MANIFEST), true);
        $manifest['sha256']['tables/control_points.ndjson'] = hash('sha256', $earlier);
        $zip->addFromString(Packing::MANIFEST, (string) json_encode($manifest));
        $zip->close();
        $made = $this->arrived((string) file_get_contents($packed));
        self::assertSame(Setup::of($made)->firstOrFail()->id, ControlPoint::of($made)->where('origin', 'station')->firstOrFail()->setup_id);
        self::assertSame(4, ControlPoint::listed($made)->count());
    }

    public function test_a_damaged_one_is_refused_with_a_reason_and_nothing_is_stored(): void
    {
        $project = $this->worked();
        $good = $this->packed($project);
        $changed = tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($changed, $good);
        $zip = new \ZipArchive;
        $zip->open($changed);
        $zip->addFromString('tables/marks.ndjson', '{"id":1}'."\n");
        $zip->close();
        foreach ([
            '“tables/marks.ndjson” in it is not what was packed' => (string) file_get_contents($changed),
            'can’t be opened' => substr($good, 0, 2000), 'no packed project' => 'PK nothing',
        ] as $says => $bytes) {
            self::assertStringContainsString($says, (string) $this->arrived($bytes));
        }
        self::assertSame(1, Project::query()->count());
    }

    /** @return iterable<string, array{callable(\ZipArchive, array<string, mixed>): array<string, mixed>, string}> */
    public static function alterations(): iterable
    {
        $marks = static fn (\ZipArchive $zip): string => str_replace(
            '"verdict":"out"', '"verdict":"in"', (string) $zip->getFromName('tables/marks.ndjson'),
        );
        yield 'marks altered, and taken off the list' => [static function (\ZipArchive $zip, array $list) use ($marks): array {
            $zip->addFromString('tables/marks.ndjson', $marks($zip));
            unset($list['sha256']['tables/marks.ndjson']);

            return $list;
        }, 'list says nothing of its marks'];
        yield 'a file beside the list' => [static function (\ZipArchive $zip, array $list): array {
            $zip->addFromString('uploads/'.str_repeat('ab', 16), str_repeat('x', 5000));

            return $list;
        }, 'stands in the packed project and not on its list'];
        $column = static fn (string $table, string $column, mixed $value) => [static function (\ZipArchive $zip, array $list) use ($table, $column, $value): array {
            $rows = array_map(
                static fn (string $line) => json_decode($line, true),
                explode("\n", trim((string) $zip->getFromName("tables/$table.ndjson"))),
            );
            $rows[0][$column] = $value;
            $text = implode("\n", array_map(static fn (array $r) => json_encode($r, JSON_PRESERVE_ZERO_FRACTION), $rows))."\n";
            $zip->addFromString("tables/$table.ndjson", $text);
            $list['sha256']["tables/$table.ndjson"] = hash('sha256', $text);

            return $list;
        }, "Line 1 of $table"];
        yield 'surfaces taken out, their tiles left' => [static function (\ZipArchive $zip, array $list): array {
            $zip->addFromString('tables/surfaces.ndjson', '');
            $list['sha256']['tables/surfaces.ndjson'] = hash('sha256', '');

            return $list;
        }, 'surface_tiles of the packed project belong to what is not in it (number 1)'];
        yield 'a word for a number' => $column('stakeout_points', 'northing', 'abc');
        yield 'a number beyond all sites' => $column('control_points', 'easting', 1e300);
        yield 'a recipe of nothing' => $column('stakeout_points', 'recipe', '{"construction":{"kind":"nonsense"},"letter":"A","index":0}');
        yield 'a solution that is none' => $column('setups', 'solution', '{"residuals":"none"}');
        yield 'a tolerance below nothing' => $column('marks', 'plan_tolerance', -1);
        yield 'a verdict of its own' => $column('marks', 'verdict', 'perfect');
        yield 'a draft of other fields' => $column('setups', 'draft', '{"surprise":1}');
        yield 'shapes that are not there' => $column('design_layers', 'count', 9);
        yield 'a target height of a crane' => $column('observations', 'target_height', 90);
        yield 'a logo that is no picture' => $column('letterheads', 'logo', base64_encode('<svg onload="x"/>'));
        yield 'a firm of many lines' => $column('letterheads', 'firm', "a\nb");
        yield 'a photograph that is no picture' => $column('photographs', 'bytes', base64_encode('<svg onload="x"/>'));
        yield 'an issued report with other figures' => $column('report_issues', 'figures', base64_encode((string) gzdeflate('{"head":{},"setups":[],"marks":[],"checks":[],"table":""}')));
        yield 'an issued table that runs' => [static function (\ZipArchive $zip, array $list): array {
            $row = json_decode(trim((string) $zip->getFromName('tables/report_issues.ndjson')), true);
            $figures = json_decode((string) gzinflate((string) base64_decode($row['figures'], true)), true);
            $figures['table'] .= "=cmd()\n";
            $json = (string) json_encode($figures, JSON_PRESERVE_ZERO_FRACTION);
            $row = ['figures' => base64_encode((string) gzdeflate($json)), 'checksum' => hash('sha256', "report {$row['number']}\n$json")] + $row;
            $text = json_encode($row, JSON_PRESERVE_ZERO_FRACTION)."\n";
            $zip->addFromString('tables/report_issues.ndjson', $text);
            $list['sha256']['tables/report_issues.ndjson'] = hash('sha256', $text);

            return $list;
        }, 'Line 1 of report_issues: a cell of an issued table would run as a formula'];
        yield 'a layout of nothing' => $column('table_layouts', 'columns', '[]');
        yield 'a paper of its own' => $column('letterheads', 'paper', 'a0');
        yield 'a worklist of words' => $column('worklists', 'point_ids', '["x"]');
    }

    /** @param  callable(\ZipArchive, array<string, mixed>): array<string, mixed>  $alter  gives the list that goes with it */
    #[DataProvider('alterations')]
    public function test_an_altered_one_is_refused_whole_and_leaves_nothing(callable $alter, string $says): void
    {
        $good = $this->packed($this->worked());
        $files = count(glob($this->data.'/uploads/*') ?: []);
        $path = tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($path, $good);
        $zip = new \ZipArchive;
        $zip->open($path);
        $list = $alter($zip, json_decode((string) $zip->getFromName(Packing::MANIFEST), true));
        $zip->addFromString(Packing::MANIFEST, (string) json_encode($list));
        $zip->close();
        $why = $this->arrived((string) file_get_contents($path));
        self::assertIsString($why);
        self::assertStringContainsString($says, $why);
        self::assertSame(1, Project::query()->count());
        self::assertSame(1, DB::table('designs')->count(), 'nothing half-stored');
        self::assertSame(
            $files + 3, count(glob($this->data.'/uploads/*') ?: []), 'of its files only the packed one that was sent is there',
        );
        self::assertSame([], UnpackProject::clearLeftovers(atStart: true));
        self::assertSame(1, DB::table('projects')->count());
    }

    private function unpack(string $bytes): TestResponse
    {
        $path = tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($path, $bytes);
        $upload = $this
            ->post('/api/v1/packed-uploads', ['file' => new UploadedFile($path, 'p.zip', test: true)])
            ->assertOk()
            ->json('upload');

        return $this->ask('POST', '/projects-unpacking', ['upload' => $upload]);
    }

    /** The project that came of it, or why none did. */
    private function arrived(string $bytes): Project|string
    {
        $asked = $this->unpack($bytes)->assertOk()->json();
        $task = $this->ask('GET', "/projects/{$asked['projectId']}/tasks/{$asked['task']['id']}")->assertOk()->json();

        return $task['state'] === 'done' ? Project::query()->findOrFail($task['result']['projectId']) : (string) $task['error'];
    }

    /** @return list<array<string, mixed>> without what is numbered anew */
    private static function rows(string $table, int $project): array
    {
        $anew = array_flip([
            'id', 'key', 'renumbered', 'task_id', 'recipe', 'sights', 'draft', 'point_ids', 'setup_id', 'next_layer_id', 'seq', 'upload', 'project_id',
            ...array_keys(Packing::TABLES[$table]),
        ]);
        $rows = Packing::rowsOf($table, $project)->orderBy('id')->get()->map(static fn (object $r) => array_diff_key((array) $r, $anew))->all();
        self::assertNotSame([], $rows, $table);

        return $rows;
    }
}
