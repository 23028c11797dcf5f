<?php

declare(strict_types=1);

/**
 * What ships with the page as it is: scripts, styles, fonts, pictures. Sent here and not by PHP's own server, so that it carries the same headers as all else;
 * before the framework is loaded, for there are many of them.
 *
 * @return bool whether the address was one of them
 */
return static function (string $public, string $uri): bool {
    $types = [
        'js' => 'text/javascript', 'css' => 'text/css', 'json' => 'application/json', 'woff2' => 'font/woff2', 'svg' => 'image/svg+xml', 'png' => 'image/png',
        'ico' => 'image/x-icon', 'txt' => 'text/plain', 'wasm' => 'application/wasm', 'map' => 'application/json', 'webmanifest' => 'application/manifest+json',
    ];
    $path = rawurldecode((string) parse_url($uri, PHP_URL_PATH));
    $file = str_contains($path, "\0") ? false : realpath($public.$path);
    $type = $types[strtolower(pathinfo((string) $file, PATHINFO_EXTENSION))] ?? null;
    if ($file === false || $type === null || ! str_starts_with($file, $public.DIRECTORY_SEPARATOR) || ! is_file($file)) {
        return false;
    }
    header("Content-Type: $type".(str_starts_with($type, 'text/') ? '; charset=utf-8' : ''));
    header('Content-Length: '.filesize($file));
    header('X-Content-Type-Options: nosniff');
    header('Cross-Origin-Resource-Policy: same-origin');
    if ($type === 'image/svg+xml') {
        // A picture may hold scripts of its own: it is shown, and nothing in it runs.
        header("Content-Security-Policy: default-src 'none'; style-src 'unsafe-inline'");
    }
    // The name of what was built changes with its content.
    header('Cache-Control: '.(str_contains($file, DIRECTORY_SEPARATOR.'assets'.DIRECTORY_SEPARATOR) ? 'public, max-age=31536000, immutable' : 'no-cache'));
    readfile($file);

    return true;
};
