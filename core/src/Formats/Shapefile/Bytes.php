<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Shapefile;

/** A stream out of a zip gives at a time what it has just unpacked. */
final class Bytes
{
    /**
     * @param  resource  $stream
     * @return string of so many bytes, or of what is left
     */
    public static function of($stream, int $count): string
    {
        for ($got = ''; ($left = $count - strlen($got)) > 0 && ! feof($stream);) {
            // What is damaged in a zip gives nothing more; who asked finds the file cut off.
            $part = (string) @fread($stream, $left);
            if ($part === '') {
                break;
            }
            $got .= $part;
        }

        return $got;
    }
}
