<?php

declare(strict_types=1);

namespace App\Database;

/** As a stream the database takes a value for bytes; a string would become text, which it can't cut by bytes. */
final class Bytes
{
    /** @return resource */
    public static function stream(string $bytes)
    {
        $stream = fopen('php://memory', 'w+b') ?: throw new \RuntimeException('No memory stream.');
        fwrite($stream, $bytes);
        rewind($stream);

        return $stream;
    }
}
