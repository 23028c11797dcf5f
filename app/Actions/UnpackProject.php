<?php

declare(strict_types=1);

namespace App\Actions;

use App\Clock;
use App\Database\Bytes;
use App\Database\Numbers;
use App\Models\ControlOrigin;
use App\Models\Project;
use App\Packing;
use App\Uploads;
use Illuminate\Support\Facades\DB;

/** Makes a project of a packed one, beside those that are here. Everything is checked before anything is stored. */
final class UnpackProject
{
    /** Bytes, unpacked. */
    private const LARGEST = 4_000_000_000;

    /** @var array<int, int> new id of a layer to the old id of the layer it went on in */
    private array $nextLayers = [];

    /** @var array<int, int> new id of a control point to the old id of the setup whose station it is */
    private array $stations = [];

    /** @var array<string, array<int, int>> table to old id to new id */
    private array $ids = [];

    private string $mark = '';

    public function __invoke(string $upload): Project
    {
        $zip = new \ZipArchive;
        if ($zip->open(Uploads::path($upload), \ZipArchive::RDONLY) !== true) {
            throw new \DomainException('This is no packed project: it can’t be opened as one. It was cut off on its way, or is another kind of file.');
        }
        $this->check($zip);
        $this->ids = $this->nextLayers = $this->stations = [];
        $this->mark = bin2hex(random_bytes(4));

        return DB::transaction(function () use ($zip): Project {
            $row = json_decode((string) $zip->getFromName('project.json'), true);
            if (! is_array($row)) {
                throw new \DomainException('The packed project has no project in it.');
            }
            $active = $row['active_design_id'] ?? null;
            $old = (int) $row['id'];
            unset($row['id'], $row['active_design_id']);
            $project = Project::query()->create(['opened_at' => Clock::stamp(), 'revision' => 1] + $row);
            $this->ids['projects'][$old] = $project->id;
            $this->reserveReadings($zip);
            foreach (Packing::TABLES as $table => $references) {
                $this->table($zip, $table, $references);
            }
            $this->forwardReferences($project);
            $project->update(['active_design_id' => $active === null ? null : $this->ids['designs'][$active] ?? null]);
            $this->files($zip);

            return $project;
        });
    }

    private function check(\ZipArchive $zip): void
    {
        $manifest = json_decode((string) $zip->getFromName(Packing::MANIFEST), true);
        if (! is_array($manifest) || ($manifest['format'] ?? null) !== Packing::FORMAT || ! is_array($manifest['sha256'] ?? null)) {
            throw new \DomainException('This is no packed project: its list of contents is missing.');
        }
        if ($manifest['version'] !== Packing::VERSION) {
            throw new \DomainException("It was packed by another version of Parlay (form {$manifest['version']}); this one reads form ".Packing::VERSION.'. Update Parlay on the older machine and pack again.');
        }
        $size = 0;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $size += $zip->statIndex($i)['size'] ?? 0;
        }
        if ($size > self::LARGEST) {
            throw new \DomainException('Unpacked, this file would take '.number_format($size / 1e9, 1).' GB, which no project does. Nothing was unpacked.');
        }
        foreach ($manifest['sha256'] as $name => $sum) {
            $stream = $zip->getStream((string) $name);
            $hash = hash_init('sha256');
            if ($stream === false || @hash_update_stream($hash, $stream) < 0 || ! hash_equals((string) $sum, hash_final($hash))) {
                throw new \DomainException(sprintf('The packed project is damaged: “%s” in it is not what was packed. Nothing was stored. Bring the file over again, or pack the project again.', mb_substr((string) $name, 0, 80)));
            }
        }
    }

    /** @param  array<string, string>  $references */
    private function table(\ZipArchive $zip, string $table, array $references): void
    {
        if (in_array($table, Packing::LATER, true) && $zip->locateName("tables/$table.ndjson") === false) {
            return;
        }
        $stream = $zip->getStream("tables/$table.ndjson") ?: throw new \DomainException("The packed project has no $table.");
        $known = array_flip(DB::getSchemaBuilder()->getColumnListing($table));
        while (($line = fgets($stream)) !== false) {
            $row = json_decode($line, true);
            if (! is_array($row)) {
                throw new \DomainException("A row of $table can’t be read. Nothing was stored.");
            }
            $this->insert($table, array_intersect_key($row, $known), $references);
        }
        fclose($stream);
    }

    /**
     * @param  array<string, mixed>  $row
     * @param  array<string, string>  $references
     */
    private function insert(string $table, array $row, array $references): void
    {
        $old = (int) $row['id'];
        unset($row['id']);
        foreach ($references as $column => $of) {
            $row[$column] = ($row[$column] ?? null) === null ? null : $this->ids[$of][(int) $row[$column]] ?? null;
        }
        if (isset($row['key'])) {
            // Keys are one for all projects; the same packed file may come in twice.
            $row['key'] = "{$this->mark}-{$row['key']}";
        }
        foreach (['recipe', 'sights', 'draft'] as $column) {
            if (isset($row[$column])) {
                $row[$column] = json_encode($this->renumbered(json_decode($row[$column], true)), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE);
            }
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
        $this->ids[$table][$old] = (int) DB::table($table)->insertGetId((isset($this->ids[$table][$old]) ? ['id' => $this->ids[$table][$old]] : []) + $row);
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

        return ['origin' => (! $of ? ControlOrigin::Listed : (isset($m[1]) ? ControlOrigin::Station : ControlOrigin::Measured))->value, 'setup_id' => isset($m[1]) ? (int) $m[1] : null] + $row;
    }

    /** A setup names its readings, and can't be changed once it is written; readings come after it, so their numbers are settled beforehand. */
    private function reserveReadings(\ZipArchive $zip): void
    {
        $next = Numbers::next('observations') - 1;
        $stream = $zip->getStream('tables/observations.ndjson') ?: throw new \DomainException('The packed project has no observations.');
        while (($line = fgets($stream)) !== false) {
            $row = json_decode($line, true);
            $this->ids['observations'][(int) ($row['id'] ?? 0)] = ++$next;
        }
        fclose($stream);
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
        $renamed = fn (string $text): string => preg_replace_callback('~"pointId":(\d+)~', fn (array $m) => '"pointId":'.($this->ids['stakeout_points'][(int) $m[1]] ?? 0), $text) ?? $text;
        foreach ($project->points()->where('recipe', 'like', '%"pointId":%')->toBase()->pluck('recipe', 'id') as $id => $recipe) {
            DB::table('stakeout_points')->where('id', $id)->update(['recipe' => $renamed((string) $recipe)]);
        }
        $renumbered = fn (string $points): string => json_encode(array_values(array_filter(array_map(fn (int $p) => $this->ids['stakeout_points'][$p] ?? null, json_decode($points, true) ?: []))), JSON_THROW_ON_ERROR);
        foreach (DB::table('worklists')->where('project_id', $project->id)->get(['id', 'point_ids', 'skipped']) as $list) {
            DB::table('worklists')->where('id', $list->id)->update(['point_ids' => $renumbered((string) $list->point_ids), 'skipped' => $renumbered((string) $list->skipped)]);
        }
    }

    /** Rows named inside a recipe or a sight. */
    private function renumbered(mixed $value): mixed
    {
        if (! is_array($value)) {
            return $value;
        }
        foreach (['layerId' => 'design_layers', 'withLayerId' => 'design_layers', 'controlId' => 'control_points', 'gridLineId' => 'grid_lines', 'towardId' => 'grid_lines',
            'observationId' => 'observations', 'stationControlId' => 'control_points', 'instrumentId' => 'instruments', 'targetId' => 'targets'] as $key => $table) {
            if (isset($value[$key])) {
                $value[$key] = $this->ids[$table][(int) $value[$key]] ?? null;
            }
        }
        if (isset($value['more'])) {
            $value['more'] = array_values(array_filter(array_map(fn (int $id) => $this->ids['observations'][$id] ?? null, $value['more'])));
        }

        return array_map($this->renumbered(...), $value);
    }

    /** The original files keep the names they are known by. */
    private function files(\ZipArchive $zip): void
    {
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $name = (string) $zip->getNameIndex($i);
            if (preg_match('~^uploads/([0-9a-f]{32}(?:\.name)?)$~', $name, $m) !== 1) {
                continue;
            }
            $path = config()->string('parlay.data')."/uploads/{$m[1]}";
            if (! is_file($path)) {
                $in = $zip->getStream($name);
                if ($in !== false) {
                    file_put_contents("$path.part", $in);
                    rename("$path.part", $path);
                }
            }
        }
    }
}
