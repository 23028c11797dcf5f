<?php

declare(strict_types=1);

return [
    'data' => env('PARLAY_DATA', dirname(__DIR__).'/.data'),
    'instrument_address' => env('PARLAY_INSTRUMENT', '127.0.0.1:8301'),
    'world_address' => env('PARLAY_WORLD', '127.0.0.1:8302'),
    // Stored with everything derived, so that it can be told what computed it.
    'version' => '0.1.0',
];
