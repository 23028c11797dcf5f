<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Shapefile;

use Parlay\Core\Formats\Dxf\UnreadableDrawing;

/** The rows of a .dbf, one for each shape, as texts. */
final class AttributeRows
{
    private const HEADER = 32;

    private const END_OF_FIELDS = "\r";

    private const DELETED = '*';

    private const MOST_FIELDS = 255;

    /** Encodings by the mark in the header, where the file beside it says none. */
    private const BY_MARK = [
        0x01 => 'CP437', 0x02 => 'CP850', 0x03 => 'Windows-1252', 0x57 => 'Windows-1252', 0x58 => 'Windows-1252', 0x59 => 'Windows-1252',
        0x64 => 'CP852', 0x65 => 'CP866', 0xC8 => 'Windows-1250', 0xC9 => 'Windows-1251', 0xCA => 'Windows-1254', 0xCB => 'Windows-1253',
    ];

    /**
     * @param  resource  $stream  at its beginning
     * @param  string  $codePage  what the .cpg beside it says, empty where there is none
     * @return \Generator<int, array<string, string>|null> number of the record to its texts by field; null where it is marked as deleted
     *
     * @throws UnreadableDrawing
     */
    public static function of($stream, string $name, string $codePage): \Generator
    {
        $head = Bytes::of($stream, self::HEADER);
        $sizes = strlen($head) === self::HEADER ? unpack('Vrows/vheader/vrow', $head, 4) : false;
        if ($sizes === false || $sizes['header'] < self::HEADER + 1 || $sizes['row'] < 1) {
            throw UnreadableDrawing::because("“{$name}” does not begin as a table of attributes does. Ask for the shapefile again, all its files together.");
        }
        $encoding = self::encoding($codePage) ?? self::BY_MARK[ord($head[29])] ?? null;
        $fields = self::fields(Bytes::of($stream, $sizes['header'] - self::HEADER), $encoding);
        for ($number = 1; $number <= $sizes['rows']; $number++) {
            $row = Bytes::of($stream, $sizes['row']);
            if (strlen($row) < $sizes['row']) {
                throw UnreadableDrawing::cutOff("“{$name}”, row $number");
            }
            yield $number => $row[0] === self::DELETED ? null : self::texts($row, $fields, $encoding);
        }
    }

    /** @return array<string, array{int, int}> by name: where it begins in the row and how many bytes it has */
    private static function fields(string $bytes, ?string $encoding): array
    {
        $fields = [];
        // The first byte of a row says whether it is deleted.
        $at = 1;
        for ($i = 0; $i + 32 <= strlen($bytes) && $bytes[$i] !== self::END_OF_FIELDS && count($fields) < self::MOST_FIELDS; $i += 32) {
            $name = self::readable(explode("\0", substr($bytes, $i, 11))[0], $encoding);
            // Long texts keep the upper byte of their length where numbers keep their decimals.
            $length = ord($bytes[$i + 16]) + ($bytes[$i + 11] === 'C' ? 256 * ord($bytes[$i + 17]) : 0);
            $fields[$name === '' ? 'field '.(count($fields) + 1) : $name] = [$at, $length];
            $at += $length;
        }

        return $fields;
    }

    /**
     * @param  array<string, array{int, int}>  $fields
     * @return array<string, string>
     */
    private static function texts(string $row, array $fields, ?string $encoding): array
    {
        $texts = [];
        foreach ($fields as $name => [$at, $length]) {
            $text = trim(substr($row, $at, $length), " \t\0");
            // Asterisks stand for a number that did not fit, or for none.
            if ($text !== '' && trim($text, '*') !== '') {
                $texts[$name] = self::readable($text, $encoding);
            }
        }

        return $texts;
    }

    private static function readable(string $text, ?string $encoding): string
    {
        if ($encoding === null || $encoding === 'UTF-8') {
            return mb_check_encoding($text, 'UTF-8') ? $text : mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
        }

        return (string) @iconv($encoding, 'UTF-8//IGNORE', $text);
    }

    private static function encoding(string $codePage): ?string
    {
        $word = strtoupper(preg_replace('~[^A-Za-z0-9]~', '', $codePage) ?? '');
        $name = match (true) {
            $word === '' => null,
            $word === 'UTF8', $word === '65001' => 'UTF-8',
            preg_match('~^(?:ANSI|CP|WINDOWS)?(125\d|437|85\d|866)$~', $word, $m) === 1 => 'CP'.$m[1],
            preg_match('~^(?:ISO)?8859(\d{1,2})$~', $word, $m) === 1 => 'ISO-8859-'.$m[1],
            default => null,
        };

        return $name !== null && @iconv($name, 'UTF-8', 'a') === 'a' ? $name : null;
    }
}
