<?php

declare(strict_types=1);

namespace Parlay\Core\Formats;

/** Names that are the same wherever the same thing is named: a file written again is the same file, and another program knows what it has already. */
final class GlobalId
{
    /** Of the compressed form (ISO 16739, IfcGloballyUniqueId). */
    private const LETTERS = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz_$';

    /** By RFC 9562, of a hash (version 8). */
    public static function uuid(string $of): string
    {
        $hash = substr(hash('sha256', $of), 0, 32);
        $hash[12] = '8';
        $hash[16] = dechex(8 | (int) hexdec($hash[16]) & 3);

        return implode('-', [substr($hash, 0, 8), substr($hash, 8, 4), substr($hash, 12, 4), substr($hash, 16, 4), substr($hash, 20)]);
    }

    /** The same as a building model writes it: 22 letters of six bits, the first of two. */
    public static function ifc(string $of): string
    {
        $bits = str_pad('', 4, '0');
        foreach (str_split(str_replace('-', '', self::uuid($of))) as $digit) {
            $bits .= str_pad(decbin((int) hexdec($digit)), 4, '0', STR_PAD_LEFT);
        }

        return implode('', array_map(static fn (string $six): string => self::LETTERS[(int) bindec($six)], str_split($bits, 6)));
    }
}
