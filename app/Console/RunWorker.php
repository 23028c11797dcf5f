<?php

declare(strict_types=1);

namespace App\Console;

use App\Tasks\StartTask;
use Illuminate\Console\Command;

final class RunWorker extends Command
{
    /** Megabytes after which a worker makes way for a fresh one, between two tasks. */
    private const MEMORY = 700;

    protected $signature = 'parlay:worker';

    protected $description = 'Carries out longer tasks until told to stop';

    public function handle(): int
    {
        // There is one worker: what is still running now was left behind by one that was killed.
        StartTask::giveUpLeftovers();

        return $this->call('queue:work', ['--sleep' => 0.2, '--memory' => self::MEMORY, '--quiet' => true]);
    }
}
