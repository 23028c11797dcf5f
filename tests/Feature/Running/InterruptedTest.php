<?php

declare(strict_types=1);

namespace Tests\Feature\Running;

use App\Packing\Packing;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\Projects\WorkedProject;
use Tests\FeatureTestCase;

/** A long task is killed while it writes, at moments all through it: Parlay starts, all projects are there, and nothing is left of it. PARLAY_MOMENTS tries more of them. */
final class InterruptedTest extends FeatureTestCase
{
    use WorkedProject;

    private Project $project;

    /** @return array<string, array{string}> */
    public static function tasks(): array
    {
        return ['unpacking' => ['unpacking'], 'packing' => ['packing'], 'a drawing' => ['drawing'], 'a civil model' => ['model'], 'a list' => ['list']];
    }

    #[DataProvider('tasks')]
    public function test_after_every_kill_there_is_a_start(string $task): void
    {
        $this->project = $this->worked();
        $work = $this->work($task);
        DB::purge('book');
        DB::purge('live');
        $kept = "{$this->data}-kept";
        exec('cp -a '.escapeshellarg($this->data).' '.escapeshellarg($kept));
        $whole = $this->inChild($work, null);
        self::assertGreaterThan(10, $whole);
        $moments = (int) (getenv('PARLAY_MOMENTS') ?: 5);
        for ($k = 0; $k < $moments; $k++) {
            exec('rm -rf '.escapeshellarg($this->data).' && cp -a '.escapeshellarg($kept).' '.escapeshellarg($this->data));
            $at = max(1, (int) round($whole * ($k + 0.5) / $moments));
            $this->inChild($work, $at);
            self::assertSame(0, Artisan::call('parlay:data'), "killed at $at of $whole: ".Artisan::output());
            $here = Project::query()->orderBy('id')->pluck('id')->all();
            self::assertSame(count($here), DB::table('projects')->count(), "killed at $at of $whole, something hidden is left");
            self::assertSame($this->project->id, $here[0], "killed at $at of $whole");
            // Killed after all of it was there, an unpacked project is there, and whole.
            self::assertLessThanOrEqual($task === 'unpacking' ? 2 : 1, count($here), "killed at $at of $whole");
            foreach (array_slice($here, 1) as $arrived) {
                foreach (array_keys(Packing::TABLES) as $table) {
                    self::assertSame(Packing::rowsOf($table, $this->project->id)->count(), Packing::rowsOf($table, $arrived)->count(), "killed at $at of $whole, $table");
                }
            }
            self::assertSame([], DB::select('PRAGMA foreign_key_check'));
            self::assertSame(1, StakeoutPoint::of($this->project)->where('name', 'P1')->count());
            $this->ask('GET', "/projects/{$this->project->id}/points")->assertOk();
            foreach (glob("{$this->data}/uploads/*.of") ?: [] as $of) {
                self::assertContains(file_get_contents($of), ['packed', ...array_map(static fn (int $id): string => "project $id", $here)], "killed at $at of $whole, a file is left");
            }
            DB::purge('book');
            DB::purge('live');
        }
        exec('rm -rf '.escapeshellarg($kept));
    }

    /** @return callable(): mixed what is asked of the interface */
    private function work(string $task): callable
    {
        $at = "/projects/{$this->project->id}";
        $base = static fn (string $file): string => (string) file_get_contents(base_path("database/demo/files/$file"));

        return match ($task) {
            'packing' => fn () => $this->ask('POST', "$at/packing"),
            'unpacking' => (function (): callable {
                $path = tempnam(sys_get_temp_dir(), 'zip');
                file_put_contents($path, $this->packed($this->project));
                $upload = $this->post('/api/v1/packed-uploads', ['file' => new UploadedFile($path, 'p.zip', test: true)])->assertOk()->json('upload');

                return fn () => $this->ask('POST', '/projects-unpacking', ['upload' => $upload]);
            })(),
            'drawing' => (function () use ($at): callable {
                $lines = implode('', array_map(static fn (int $i) => "0\nLINE\n8\nL".($i % 7)."\n10\n$i\n20\n0\n11\n$i\n21\n9\n", range(1, 300)));
                $upload = $this->upload($this->project, "0\nSECTION\n2\nENTITIES\n{$lines}0\nENDSEC\n0\nEOF\n", 'b.dxf');

                return fn () => $this->ask('POST', "$at/designs", ['upload' => $upload, 'name' => 'B', 'unit' => 'm', 'layers' => array_map(static fn (int $i) => "L$i", range(0, 6)), 'heights' => 'dropped']);
            })(),
            'model' => (function () use ($at, $base): callable {
                $upload = $this->upload($this->project, $base('saltmarsh-yard-civil.xml'), 'n.xml');

                return fn () => $this->ask('POST', "$at/models", ['upload' => $upload, 'name' => 'N', 'unit' => 'm', 'exchanged' => false, 'alignments' => [0], 'surfaces' => [0], 'lines' => true]);
            })(),
            default => (function () use ($at): callable {
                $upload = $this->upload($this->project, implode("\n", array_map(static fn (int $i) => "Q$i,".(1000 + $i).',2000,5,MH', range(1, 400))), 'q.csv');

                return fn () => $this->ask('POST', "$at/points-import", [
                    'upload' => $upload, 'target' => 'points', 'layout' => ['separator' => ',', 'decimalMark' => '.', 'skip' => 0, 'unit' => 'm', 'headings' => [], 'columns' => ['name', 'northing', 'easting', 'elevation', 'code']],
                ]);
            })(),
        };
    }

    /**
     * Does it in a process of its own, which is killed at one of its statements.
     *
     * @param  callable(): mixed  $work
     * @param  int|null  $at  null: to its end
     * @return int how many statements there were
     */
    private function inChild(callable $work, ?int $at): int
    {
        $counted = "{$this->data}-statements";
        $child = pcntl_fork();
        if ($child === 0) {
            $count = 0;
            foreach (['book', 'live'] as $connection) {
                DB::connection($connection)->listen(static function () use (&$count, $at, $counted): void {
                    $count++;
                    file_put_contents($counted, (string) $count);
                    if ($count === $at) {
                        posix_kill(posix_getpid(), SIGKILL);
                    }
                });
            }
            $work();
            posix_kill(posix_getpid(), SIGKILL);
        }
        pcntl_waitpid($child, $status);
        $count = (int) @file_get_contents($counted);
        @unlink($counted);

        return $count;
    }
}
