<?php

declare(strict_types=1);

namespace App\Tasks;

use Illuminate\Console\Command;
use Illuminate\Queue\Events\JobExceptionOccurred;
use Illuminate\Queue\Events\JobProcessed;
use Illuminate\Queue\Events\JobProcessing;
use Illuminate\Queue\Events\Looping;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;

final class RunWorker extends Command
{
    /** Megabytes after which a worker makes way for a fresh one, between two tasks. */
    private const MEMORY = 150;

    protected $signature = 'parlay:worker {name=a : of the workers beside each other, each has its own}';

    protected $description = 'Carries out longer tasks until told to stop';

    /** The version of the database when nothing waited in it. */
    private ?int $seen = null;

    /** The queue is asked only when another process has written, or something was done here. */
    private function askOnlyWhenWritten(): void
    {
        Event::listen(Looping::class, function (): bool {
            $version = (int) DB::scalar('PRAGMA data_version');
            $was = $this->seen;
            $this->seen = $version;

            return $version !== $was;
        });
        Event::listen([JobProcessing::class, JobProcessed::class, JobExceptionOccurred::class], function (): void {
            $this->seen = null;
        });
    }

    public function handle(): int
    {
        $name = (string) $this->argument('name');
        config(['parlay.worker' => $name]);
        // What is running under this name now was left behind by one that was killed.
        StartTask::giveUpLeftovers($name);

        $this->askOnlyWhenWritten();

        return $this->call('queue:work', ['--sleep' => 0.2, '--memory' => self::MEMORY, '--quiet' => true]);
    }
}
