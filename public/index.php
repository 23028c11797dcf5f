<?php

declare(strict_types=1);

use Illuminate\Http\Request;

if ((require __DIR__.'/../bootstrap/assets.php')(__DIR__, $_SERVER['REQUEST_URI'])) {
    return;
}

require __DIR__.'/../vendor/autoload.php';

(require __DIR__.'/../bootstrap/app.php')->handleRequest(Request::capture());
