<?php

declare(strict_types=1);

return [
    'default' => 'file',
    'channels' => [
        'file' => ['driver' => 'single', 'path' => storage_path('parlay.log'), 'level' => 'warning'],
    ],
];
