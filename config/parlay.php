<?php

declare(strict_types=1);

return [
    'data' => env('PARLAY_DATA', dirname(__DIR__).'/.data'),
    'instrument_address' => env('PARLAY_INSTRUMENT', '127.0.0.1:8301'),
    'world_address' => env('PARLAY_WORLD', '127.0.0.1:8302'),
    // Names and addresses it answers under besides the loopback's, with commas between.
    'hosts' => env('PARLAY_HOSTS', ''),
    // Whether other machines can reach it, so that its key is asked for.
    'asks_key' => (bool) env('PARLAY_ASKS_KEY', false),
    // Which of the workers this process is, where it is one.
    'worker' => '',
    // Stored with everything derived, so that it can be told what computed it.
    'version' => '0.1.0',
];
