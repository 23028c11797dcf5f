<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Step;

/** Texts with the escapes of ISO 10303-21, clause 6.4.3: '' and \\, \S\, \P.\, \X\, \X2\ and \X4\. */
final class StepText
{
    /** @param  string  $raw  what stands between the quotes */
    public static function of(string $raw): string
    {
        if (! str_contains($raw, '\\') && ! str_contains($raw, "'") && ! str_contains($raw, "\n")) {
            return self::readable($raw);
        }
        // A line break within a text is no part of it.
        $text = str_replace(["''", "\r", "\n"], ["'", '', ''], $raw);
        $page = 1;

        return self::readable((string) preg_replace_callback(
            '~\\\\(?:(\\\\)|S\\\\(.)|P([A-I])\\\\|X\\\\([0-9A-Fa-f]{2})|X2\\\\((?:[0-9A-Fa-f]{4})*)\\\\X0\\\\|X4\\\\((?:[0-9A-Fa-f]{8})*)\\\\X0\\\\)~s',
            static function (array $m) use (&$page): string {
                if ($m[1] !== '') {
                    return '\\';
                }
                if (($m[3] ?? '') !== '') {
                    $page = ord($m[3]) - ord('A') + 1;

                    return '';
                }

                return match (true) {
                    ($m[2] ?? '') !== '' => (string) @iconv("ISO-8859-$page", 'UTF-8//IGNORE', chr(ord($m[2]) | 0x80)),
                    ($m[4] ?? '') !== '' => (string) iconv('ISO-8859-1', 'UTF-8', (string) hex2bin($m[4])),
                    ($m[5] ?? '') !== '' => self::wide($m[5], 'UTF-16BE'),
                    ($m[6] ?? '') !== '' => self::wide($m[6], 'UTF-32BE'),
                    default => '',
                };
            },
            $text,
        ));
    }

    /** As it is written between quotes; what the format can't hold at all is a blank. */
    public static function write(string $text): string
    {
        $plain = str_replace(['\\', "'"], ['\\\\', "''"], (string) preg_replace('~[\x00-\x1F\x7F]~', ' ', mb_scrub($text, 'UTF-8')));

        return (string) preg_replace_callback(
            '~[^\x20-\x7E]+~u', static fn (array $m): string => '\X4\\'.strtoupper(bin2hex((string) mb_convert_encoding($m[0], 'UTF-32BE', 'UTF-8'))).'\X0\\', $plain,
        );
    }

    private static function wide(string $hex, string $encoding): string
    {
        return (string) mb_convert_encoding((string) hex2bin($hex), 'UTF-8', $encoding);
    }

    /** Many writers put in plain UTF-8 or the letters of their system, against the standard. */
    private static function readable(string $text): string
    {
        return mb_check_encoding($text, 'UTF-8') ? $text : mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
    }
}
