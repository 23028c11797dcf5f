<?php

return [
    'default' => 'file',
    'channels' => [
        'file' => ['driver' => 'single', 'path' => storage_path('parlay.log'), 'level' => 'warning'],
    ],
];
