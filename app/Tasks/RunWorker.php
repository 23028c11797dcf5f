<?php

declare(strict_types=1);

namespace App\Tasks;

use Illuminate\Console\Command;

final class RunWorker extends Command
{
    /** Megabytes after which a worker makes way for a fresh one, between two tasks. */
    private const MEMORY = 150;

    protected $signature = 'parlay:worker {name=a : of the workers beside each other, each has its own}';

    protected $description = 'Carries out longer tasks until told to stop';

    public function handle(): int
    {
        $name = (string) $this->argument('name');
        config(['parlay.worker' => $name]);
        // What is running under this name now was left behind by one that was killed.
        StartTask::giveUpLeftovers($name);

        return $this->call('queue:work', ['--sleep' => 0.2, '--memory' => self::MEMORY, '--quiet' => true]);
    }
}
