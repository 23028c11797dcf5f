<?php

declare(strict_types=1);

namespace App\Packing\Tasks;

use App\Clock;
use App\Database\OneReading;
use App\Packing\Packing;
use App\Projects\Models\Project;
use App\Reports\Models\ReportIssue;
use App\Reports\Tasks\PrintReport;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\Work;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Packs a whole project into one file, for a backup or for another machine. */
final class PackProject implements Work
{
    public function __invoke(Task $task, Progress $progress): array
    {
        $project = Project::query()->findOrFail($task->project_id);
        $path = self::path($task);
        @mkdir(dirname($path), 0o755, true);
        $zip = new \ZipArchive;
        if ($zip->open("$path.part", \ZipArchive::CREATE | \ZipArchive::OVERWRITE) !== true) {
            throw new \DomainException('The data folder can’t be written to. Make room, and try again.');
        }
        $sums = [];
        $temporary = [];
        // Nothing changes between the first row and the last.
        [$files, $uploads] = OneReading::of(static function () use ($project, $progress): array {
            $files = ['project.json' => self::rows(DB::table('projects')->where('id', $project->id))];
            foreach (array_keys(Packing::TABLES) as $i => $table) {
                $progress->tell($i / count(Packing::TABLES), "packing $table");
                $files["tables/$table.ndjson"] = self::rows(Packing::rowsOf($table, $project->id));
            }

            return [$files, array_filter(DB::table('designs')->where('project_id', $project->id)->pluck('upload')->all())];
        });
        foreach ($uploads as $token) {
            foreach ([$token, "$token.name"] as $name) {
                $file = config()->string('parlay.data')."/uploads/$name";
                if (is_file($file)) {
                    $files["uploads/$name"] = $file;
                }
            }
        }
        foreach (ReportIssue::of($project)->select(['number', 'task_id', 'file_checksum'])->toBase()->get() as $issue) {
            $sheet = PrintReport::pathOf((int) $issue->task_id);
            // A file that is not the one issued is none.
            if (is_file($sheet) && hash_equals($issue->file_checksum, (string) hash_file('sha256', $sheet))) {
                $files[Packing::sheet((int) $issue->number)] = $sheet;
            }
        }
        foreach ($files as $name => $file) {
            $sums[$name] = hash_file('sha256', $file);
            $zip->addFile($file, $name);
            $temporary[] = str_starts_with($name, 'uploads/') || str_starts_with($name, 'issues/') ? null : $file;
        }
        $zip->addFromString(Packing::MANIFEST, json_encode([
            'format' => Packing::FORMAT, 'version' => Packing::VERSION, 'project' => $project->name, 'packedAt' => Clock::stamp(),
            'by' => config()->string('parlay.version'), 'sha256' => $sums,
        ], JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE));
        $zip->close();
        array_map(unlink(...), array_filter($temporary));
        $progress->stopIfCancelled();
        rename("$path.part", $path);

        return ['file' => "/api/v1/projects/{$project->id}/packed/{$task->id}", 'bytes' => filesize($path)];
    }

    public static function path(Task $task): string
    {
        return config()->string('parlay.data')."/reports/packed-{$task->id}.zip";
    }

    /** A row a line, in a file of its own. */
    private static function rows(Builder $query): string
    {
        $path = tempnam(sys_get_temp_dir(), 'parlay') ?: throw new \RuntimeException('No temporary file.');
        $out = fopen($path, 'wb') ?: throw new \RuntimeException('No temporary file.');
        foreach ($query->orderBy('id')->lazy(100) as $row) {
            $row = (array) $row;
            foreach (Packing::BYTES as $column) {
                if (isset($row[$column])) {
                    $row[$column] = base64_encode($row[$column]);
                }
            }
            fwrite(
                $out,
                json_encode($row, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n",
            );
        }
        fclose($out);

        return $path;
    }
}
