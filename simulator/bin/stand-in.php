<?php

declare(strict_types=1);

/** The stand-in instrument as a process: php simulator/bin/stand-in.php INSTRUMENT_ADDRESS WORLD_ADDRESS [STATE_FILE] */

use Parlay\Simulator\Server;
use Parlay\Simulator\StandIn;
use Parlay\Simulator\World;

require __DIR__.'/../../vendor/autoload.php';

if ($argc < 3) {
    fwrite(STDERR, "Two addresses are needed, such as 127.0.0.1:8301 127.0.0.1:8302.\n");
    exit(2);
}

$stateFile = $argv[3] ?? null;
$instrument = $stateFile === null ? new StandIn(new World) : Server::restored($stateFile);
(new Server($instrument, $stateFile))->listen($argv[1], $argv[2]);
