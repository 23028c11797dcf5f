<?php

declare(strict_types=1);

return [
    'name' => 'Parlay',
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'key' => env('APP_KEY'),
    'timezone' => 'UTC',
];
