<?php

declare(strict_types=1);

namespace App\Instrument;

use Illuminate\Console\Command;

final class HoldInstrument extends Command
{
    protected $signature = 'parlay:instrument';

    protected $description = 'Holds the link to the instrument until told to stop';

    public function handle(Link $link): int
    {
        $this->trap([SIGTERM, SIGINT], static fn () => $link->stop());
        $link->run();

        return self::SUCCESS;
    }
}
