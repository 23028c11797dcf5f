<?php

declare(strict_types=1);

return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        'database' => ['driver' => 'database', 'connection' => 'book', 'table' => 'jobs', 'queue' => 'default', 'retry_after' => 900, 'after_commit' => false],
        'sync' => ['driver' => 'sync'],
    ],
    'failed' => ['driver' => 'null'],
];
