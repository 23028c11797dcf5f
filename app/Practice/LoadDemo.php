<?php

declare(strict_types=1);

namespace App\Practice;

use App\Practice\Actions\LoadDemoProjects;
use Illuminate\Console\Command;

final class LoadDemo extends Command
{
    protected $signature = 'parlay:demo';

    protected $description = 'Loads the demo projects where there is no project yet';

    public function handle(LoadDemoProjects $load): int
    {
        $load(fn (string $what) => $this->line("· $what"));

        return self::SUCCESS;
    }
}
