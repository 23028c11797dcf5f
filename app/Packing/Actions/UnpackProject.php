<?php

declare(strict_types=1);

namespace App\Packing\Actions;

use App\Clock;
use App\Control\ControlOrigin;
use App\Database\Bytes;
use App\Database\Numbers;
use App\Packing\PackedFile;
use App\Packing\Packing;
use App\Packing\RowCheck;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\Uploads;
use App\Reports\IssuedFigures;
use App\Reports\Renumbered;
use App\Reports\Tasks\PrintReport;
use App\Setups\Models\Setup;
use App\Tasks\Progress;
use App\Tasks\TaskKind;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;

/**
 * Makes a project of a packed one, beside those that are here. Everything is checked before anything is stored.
 *
 * It is written in pieces into a project that nobody sees yet, so that others go on working; the field book, which nothing can be taken
 * from again, comes last and at once, with the project's appearance. What ended before that is cleared away.
 */
final class UnpackProject
{
    /** Rows, or bytes of them, that are written while the right to write is held. */
    private const PIECE_ROWS = 500;

    private const PIECE_BYTES = 8_000_000;

    /** Why an unpacking failed is asked for so long, seconds. */
    private const TOLD = 3600;

    /** Lines of the field book and what stands beside them. */
    private const BOOK = ['setups', 'observations', 'corrections', 'marks', 'strikes', 'photographs', 'report_issues'];

    /** SQLSTATE of a constraint that does not hold. */
    private const NOT_TOGETHER = '23000';

    /** @var array<int, int> new id of a layer to the old id of the layer it went on in */
    private array $nextLayers = [];

    /** @var array<int, int> new id of a control point to the old id of the setup whose station it is */
    private array $stations = [];

    /** @var array<string, array<int, int>> table to old id to new id */
    private array $ids = [];

    /** @var array<string, string> token of an original file to the one it has here */
    private array $files = [];

    /** @var array<string, int> table and old id to the place in the book */
    private array $places = [];

    /** @var array<int, int> task that stands for the printing of an issued report, by the report's number */
    private array $sheets = [];

    private string $mark = '';

    /** The empty project that a packed one comes into: nobody sees it before it is whole. */
    public static function begin(): Project
    {
        self::clearLeftovers(atStart: false);

        return Project::query()->create([
            'name' => 'arriving', 'length_style' => 'm', 'angle_style' => 'dms',
            'direction_style' => 'azimuth', 'coordinate_order' => 'NE', 'station_style' => '1+000',
            'plan_tolerance' => 0.005, 'height_tolerance' => 0.005, 'opened_at' => Clock::stamp(), 'revision' => 0, 'arriving' => true,
        ]);
    }

    /** @throws \DomainException with what is wrong of the file; nothing is stored then */
    public function __invoke(Project $project, string $upload, Progress $progress): Project
    {
        [$this->ids, $this->nextLayers, $this->stations, $this->files, $this->places, $this->sheets] = [[], [], [], [], [], []];
        $this->mark = bin2hex(random_bytes(4));
        $packed = PackedFile::open(Uploads::path($upload));
        $row = (new RowCheck('projects'))->checked($packed->project(), 1);
        $this->check($packed, $progress);
        try {
            return $this->write($packed, $project, $row, $progress);
        } catch (\Throwable $e) {
            self::clear($project);
            array_map(Uploads::forget(...), array_values($this->files));
            array_map(static fn (int $task): bool => @unlink(PrintReport::pathOf($task)), $this->sheets);
            throw $e;
        }
    }

    /** All that a project that did not arrive has left. */
    public static function clear(Project $project): void
    {
        foreach (DB::table('designs')->where('project_id', $project->id)->pluck('upload')->filter() as $token) {
            Uploads::forget((string) $token);
        }
        DB::transaction(static function () use ($project): void {
            // What names a row goes before it; rows of one table may name each other.
            DB::statement('PRAGMA defer_foreign_keys = ON');
            foreach (array_reverse(array_keys(Packing::TABLES)) as $table) {
                if (in_array($table, self::BOOK, true)) {
                    continue;
                }
                Packing::rowsOf($table, $project->id)->delete();
            }
        });
        Uploads::forgetAllOf($project);
    }

    /**
     * Those that never came whole, because Parlay was stopped in the middle of it or the packed file was no good. Nothing of them is seen by anybody, so one that
     * can't be cleared away keeps nobody from working.
     *
     * @param  bool  $atStart  also those that somebody may still be told about
     * @return list<string> what could not be cleared away, and why
     */
    public static function clearLeftovers(bool $atStart): array
    {
        $left = [];
        foreach (Project::query()->withoutGlobalScopes()->where('arriving', true)->get() as $project) {
            $told = ! $atStart && DB::table('tasks')->where('project_id', $project->id)
                ->where(static fn ($q) => $q->whereIn('state', ['waiting', 'running'])->orWhere('created_at', '>', Clock::stamp(-self::TOLD)))->exists();
            if ($told) {
                continue;
            }
            try {
                self::clear($project);
                DB::transaction(static function () use ($project): void {
                    DB::table('tasks')->where('project_id', $project->id)->delete();
                    DB::table('projects')->where('id', $project->id)->delete();
                });
            } catch (\Throwable $e) {
                $left[] = "What is left of an unpacking (project {$project->id}) could not be cleared away and was set aside: {$e->getMessage()}";
            }
        }

        return $left;
    }

    /** Every row is looked over; where the readings are and in which order the book stands is known afterwards. */
    private function check(PackedFile $packed, Progress $progress): void
    {
        $order = [];
        foreach (array_keys(Packing::TABLES) as $i => $table) {
            if (! $packed->has("tables/$table.ndjson")) {
                continue;
            }
            $check = new RowCheck($table);
            foreach ($packed->rows($table) as $line => $row) {
                $progress->tell(0.4 * $i / count(Packing::TABLES), "looking $table over");
                $check->checked($row, $line);
                if ($table === 'observations') {
                    $this->ids['observations'][(int) $row['id']] = 0;
                }
                if (in_array($table, ['setups', 'observations', 'marks'], true)) {
                    $order["$table {$row['id']}"] = [
                        $row['seq'] ?? 0, $row['at'], ['observations' => 0, 'setups' => 1, 'marks' => 2][$table], $row['id'],
                    ];
                }
            }
        }
        // Packed by an earlier version, lines of the book stand in the order of their times.
        asort($order);
        $this->places = array_flip(array_keys($order));
    }

    /** @param  array<string, mixed>  $row */
    private function write(PackedFile $packed, Project $project, array $row, Progress $progress): Project
    {
        $active = $row['active_design_id'] ?? null;
        $this->ids['projects'][(int) $row['id']] = $project->id;
        $this->files($packed, $project);
        foreach (array_diff(array_keys(Packing::TABLES), self::BOOK) as $i => $table) {
            $this->inPieces(
                $packed, $table, static fn () => $progress->tell(0.4 + 0.5 * $i / count(Packing::TABLES), "bringing $table in"),
            );
        }
        $progress->stopIfCancelled();

        return DB::transaction(function () use ($packed, $project, $row, $active): Project {
            $this->reserve();
            foreach (self::BOOK as $table) {
                if ($packed->has("tables/$table.ndjson")) {
                    foreach ($packed->rows($table) as $line => $r) {
                        $this->insert($table, (new RowCheck($table))->checked($r, $line));
                    }
                }
            }
            $this->forwardReferences($project);
            $this->copySheets($packed);
            unset($row['id'], $row['active_design_id'], $row['revision'], $row['prepared_revision'], $row['opened_at'], $row['arriving']);
            $project->update([
                'opened_at' => Clock::stamp(), 'revision' => 1, 'prepared_revision' => 1, 'arriving' => false,
                'active_design_id' => $active === null ? null : $this->ids['designs'][$active] ?? null,
                'civil' => $this->civil($row['civil'] ?? null),
            ] + $row);

            return $project;
        });
    }

    /** @param  callable(): void  $tell */
    private function inPieces(PackedFile $packed, string $table, callable $tell): void
    {
        if (! $packed->has("tables/$table.ndjson")) {
            return;
        }
        $check = new RowCheck($table);
        $piece = [];
        $bytes = 0;
        foreach ($packed->rows($table) as $line => $row) {
            $piece[] = $check->checked($row, $line);
            $bytes += array_sum(array_map(static fn (mixed $v) => is_string($v) ? strlen($v) : 8, $row));
            if (count($piece) >= self::PIECE_ROWS || $bytes > self::PIECE_BYTES) {
                $this->piece($table, $piece);
                $tell();
                [$piece, $bytes] = [[], 0];
            }
        }
        $this->piece($table, $piece);
    }

    /** @param  list<array<string, mixed>>  $rows */
    private function piece(string $table, array $rows): void
    {
        DB::transaction(function () use ($table, $rows): void {
            foreach ($rows as $row) {
                $this->insert($table, $row);
            }
        });
    }

    /** @param  array<string, mixed>  $row */
    private function insert(string $table, array $row): void
    {
        $old = (int) $row['id'];
        unset($row['id']);
        foreach (Packing::TABLES[$table] as $column => $of) {
            $row[$column] = ($row[$column] ?? null) === null ? null : $this->ids[$of][(int) $row[$column]] ?? null;
        }
        if (isset($row['key'])) {
            // Keys are one for all projects; the same packed file may come in twice.
            $row['key'] = "{$this->mark}-{$row['key']}";
        }
        if (isset($this->places["$table $old"])) {
            $row['seq'] = $this->places["$table $old"];
        }
        if (isset($row['upload'])) {
            $row['upload'] = $this->files[$row['upload']] ?? '';
        }
        if ($table === 'surfaces') {
            // What it was made from is named by numbers of the other project: it is a surface like one from a file now.
            $row['given'] = null;
        }
        foreach (['recipe', 'sights', 'draft', 'given', 'found_from'] as $column) {
            if (isset($row[$column])) {
                $row[$column] = json_encode(
                    $this->renumbered(json_decode($row[$column], true)),
                    JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE,
                );
            }
        }
        if ($table === 'setups') {
            // Packed by an earlier version, setups had no number of their own.
            $row['number'] = Setup::numberOf((int) $row['project_id'], $row['stands_for']);
        }
        $streams = [];
        foreach (Packing::BYTES as $column) {
            if (isset($row[$column])) {
                $streams[] = $row[$column] = Bytes::stream((string) base64_decode($row[$column], true));
            }
        }
        $next = $row['next_layer_id'] ?? null;
        unset($row['next_layer_id']);
        $station = null;
        if ($table === 'control_points') {
            $row = self::withOrigin($row);
            $station = $row['setup_id'];
            $row['setup_id'] = null;
        }
        if ($table === 'report_issues') {
            $row = $this->issue($row);
        }
        $number = $table === 'observations' ? ['id' => $this->ids[$table][$old]] : [];
        try {
            $this->ids[$table][$old] = (int) DB::table($table)->insertGetId($number + $row);
        } catch (QueryException $e) {
            throw (string) $e->getCode() !== self::NOT_TOGETHER ? $e : new \DomainException(
                "$table of the packed project belong to what is not in it (number $old). It was damaged or changed after it was packed. Pack it again where it came from; nothing was stored.", previous: $e,
            );
        }
        if ($next !== null) {
            $this->nextLayers[$this->ids[$table][$old]] = (int) $next;
        }
        if ($station !== null) {
            $this->stations[$this->ids[$table][$old]] = (int) $station;
        }
        array_map(fclose(...), $streams);
    }

    /**
     * Control packed by an earlier version told where it came from in words alone.
     *
     * @param  array<string, mixed>  $row
     * @return array<string, mixed>
     */
    private static function withOrigin(array $row): array
    {
        if (isset($row['origin'])) {
            return $row + ['setup_id' => null];
        }
        $of = preg_match('~^measured: (?:setup (\d+)|new control)$~', (string) ($row['source'] ?? ''), $m) === 1;

        return [
            'origin' => (! $of ? ControlOrigin::Listed : (isset($m[1]) ? ControlOrigin::Station : ControlOrigin::Measured))->value,
            'setup_id' => isset($m[1]) ? (int) $m[1] : null,
        ] + $row;
    }

    /**
     * A setup names its readings, and can't be changed once it is written; readings come after it, so their numbers are settled
     * beforehand, and so are all places in the book.
     */
    private function reserve(): void
    {
        $next = Numbers::next('observations');
        foreach (array_keys($this->ids['observations'] ?? []) as $old) {
            $this->ids['observations'][$old] = $next++;
        }
        $places = $this->places;
        foreach ($places as $line => $_) {
            $this->places[$line] = (int) DB::table('book_sequence')->insertGetId(
                ['at' => Clock::stamp(), 'steady' => null, 'boot' => ''], 'seq',
            );
        }
    }

    /** Rows that name rows which come after them. */
    private function forwardReferences(Project $project): void
    {
        foreach ($this->stations as $control => $setup) {
            DB::table('control_points')->where('id', $control)->update(['setup_id' => $this->ids['setups'][$setup] ?? null]);
        }
        foreach ($this->nextLayers as $layer => $next) {
            DB::table('design_layers')->where('id', $layer)->update(['next_layer_id' => $this->ids['design_layers'][$next] ?? null]);
        }
        $renamed = fn (string $text): string => preg_replace_callback(
            '~"pointId":(\d+)~', fn (array $m) => '"pointId":'.($this->ids['stakeout_points'][(int) $m[1]] ?? 0), $text,
        ) ?? $text;
        foreach (StakeoutPoint::of($project)->where('recipe', 'like', '%"pointId":%')->toBase()->pluck('recipe', 'id') as $id => $recipe) {
            DB::table('stakeout_points')->where('id', $id)->update(['recipe' => $renamed((string) $recipe)]);
        }
        $renumbered = fn (string $points): string => json_encode(array_values(
            array_filter(array_map(fn (int $p) => $this->ids['stakeout_points'][$p] ?? null, json_decode($points, true) ?: [])),
        ), JSON_THROW_ON_ERROR);
        foreach (DB::table('worklists')->where('project_id', $project->id)->get(['id', 'point_ids', 'skipped']) as $list) {
            DB::table('worklists')->where('id', $list->id)
                ->update(['point_ids' => $renumbered((string) $list->point_ids), 'skipped' => $renumbered((string) $list->skipped)]);
        }
    }

    /**
     * An issued report stays as it is, and knows what its numbers mean here. Its task was done elsewhere.
     *
     * @param  array<string, mixed>  $row
     * @return array<string, mixed>
     */
    private function issue(array $row): array
    {
        $scope = (array) json_decode((string) $row['scope'], true);
        $scope['worklistId'] = isset($scope['worklistId']) ? $this->ids['worklists'][(int) $scope['worklistId']] ?? null : null;
        rewind($row['figures']);
        $marks = IssuedFigures::unpacked((string) stream_get_contents($row['figures']))->marks;
        rewind($row['figures']);
        $before = Renumbered::of(isset($row['renumbered']) ? (array) json_decode((string) $row['renumbered'], true) : null);
        $task = (int) DB::table('tasks')->insertGetId([
            'project_id' => $row['project_id'], 'kind' => TaskKind::Report->value, 'state' => 'done', 'input' => '{}', 'result' => '{}', 'created_at' => $row['at'],
        ]);
        $this->sheets[(int) $row['number']] = $task;

        return [
            'scope' => json_encode($scope, JSON_THROW_ON_ERROR), 'renumbered' => json_encode(Renumbered::ledOn($marks, $before, $this->ids)->kept(), JSON_THROW_ON_ERROR | JSON_FORCE_OBJECT), 'task_id' => $task,
        ] + $row;
    }

    /** The printed files of issued reports, once all else is there. */
    private function copySheets(PackedFile $packed): void
    {
        foreach ($this->sheets as $number => $task) {
            if ($packed->has(Packing::sheet($number))) {
                @mkdir(dirname(PrintReport::pathOf($task)), 0o755, true);
                $packed->copy(Packing::sheet($number), PrintReport::pathOf($task));
            }
        }
    }

    /** Rows named inside a recipe or a sight. */
    private function renumbered(mixed $value): mixed
    {
        if (! is_array($value)) {
            return $value;
        }
        foreach (['layerId' => 'design_layers', 'withLayerId' => 'design_layers', 'designId' => 'designs', 'controlId' => 'control_points', 'gridLineId' => 'grid_lines', 'towardId' => 'grid_lines',
            'observationId' => 'observations', 'stationControlId' => 'control_points',
            'instrumentId' => 'instruments', 'targetId' => 'targets'] as $key => $table) {
            if (isset($value[$key])) {
                $value[$key] = $this->ids[$table][(int) $value[$key]] ?? null;
            }
        }
        if (isset($value['more'])) {
            $value['more'] = array_values(array_filter(array_map(fn (int $id) => $this->ids['observations'][$id] ?? null, $value['more'])));
        }

        return array_map($this->renumbered(...), $value);
    }

    /** Which surface is worked with, by its number here. */
    private function civil(?string $kept): ?string
    {
        if ($kept === null) {
            return null;
        }
        $choices = (array) json_decode($kept, true);
        $choices['surfaceId'] = isset($choices['surfaceId']) ? $this->ids['surfaces'][(int) $choices['surfaceId']] ?? null : null;

        return json_encode($choices, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }

    /** The original files of its drawings, under names of this Parlay. */
    private function files(PackedFile $packed, Project $project): void
    {
        foreach ($packed->rows('designs') as $row) {
            $token = (string) ($row['upload'] ?? '');
            if (preg_match('~^[0-9a-f]{32}$~', $token) === 1 && ! isset($this->files[$token]) && $packed->has("uploads/$token")) {
                $this->files[$token] = Uploads::unpacked(
                    $project, (string) ($row['file_name'] ?? ''), static fn (string $to) => $packed->copy("uploads/$token", $to),
                );
            }
        }
    }
}
