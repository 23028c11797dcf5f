<?php

declare(strict_types=1);

use Illuminate\Http\Request;

// PHP's own server hands a file that exists to the browser itself.
if (PHP_SAPI === 'cli-server' && is_file(__DIR__.rawurldecode((string) parse_url($_SERVER['REQUEST_URI'], PHP_URL_PATH)))) {
    return false;
}

require __DIR__.'/../vendor/autoload.php';

(require __DIR__.'/../bootstrap/app.php')->handleRequest(Request::capture());
