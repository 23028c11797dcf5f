<?php

declare(strict_types=1);

$data = env('PARLAY_DATA', dirname(__DIR__).'/.data');

$sqlite = [
    'driver' => 'sqlite',
    'prefix' => '',
    'foreign_key_constraints' => true,
    'busy_timeout' => 10_000,
    'journal_mode' => 'WAL',
];

return [
    'default' => 'book',
    'connections' => [
        // Projects and the field book: a mark is on the disk before the screen says so.
        'book' => $sqlite + ['database' => $data.'/parlay.sqlite', 'synchronous' => 'FULL'],
        // What the instrument says this instant, and what it was told: worth nothing after a power cut.
        'live' => $sqlite + ['database' => $data.'/live.sqlite', 'synchronous' => 'OFF'],
    ],
    'migrations' => ['table' => 'migrations'],
];
