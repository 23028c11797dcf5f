<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\PointText;

/** Lines of a text file as UTF-8, whatever it was written in: UTF-8, UTF-16 both ways (by its mark), else Windows-1252. */
final class TextLines
{
    private const LONGEST = 262_144;

    private const LINES_OF_A_CELL = 20;

    /**
     * @param  resource  $stream  seekable, at its beginning
     * @return \Generator<int, string> line number from 1 to text without its ending
     *
     * @throws UnreadablePoints
     */
    public static function of($stream): \Generator
    {
        $head = (string) fread($stream, 512);
        rewind($stream);
        self::refuseOthers($head);
        $wide = match (true) {
            str_starts_with($head, "\xFF\xFE") => 'UTF-16LE',
            str_starts_with($head, "\xFE\xFF") => 'UTF-16BE',
            default => null,
        };
        fseek($stream, $wide !== null ? 2 : (str_starts_with($head, "\xEF\xBB\xBF") ? 3 : 0));
        if ($wide !== null) {
            stream_filter_append($stream, "convert.iconv.$wide/UTF-8", STREAM_FILTER_READ);
        }
        $number = 0;
        while (($line = fgets($stream, self::LONGEST + 2)) !== false) {
            $number++;
            if (strlen($line) > self::LONGEST) {
                throw UnreadablePoints::lineTooLong($number, self::LONGEST);
            }
            $line = rtrim($line, "\r\n");
            // Files of old systems end rows with a lone CR.
            foreach (explode("\r", $line) as $i => $part) {
                yield $number += $i > 0 ? 1 : 0 => mb_check_encoding($part, 'UTF-8')
                    ? $part
                    : mb_convert_encoding($part, 'UTF-8', 'Windows-1252');
            }
        }
    }

    /**
     * Rows of a table: a line break inside a quoted cell ends no row (RFC 4180). A quote opens a cell only at its beginning, for 3" is
     * three inches; one that is not closed within a few lines is taken for a slip, and its lines for rows.
     *
     * @param  resource  $stream  seekable, at its beginning
     * @return \Generator<int, string> line number at which a row begins to its text
     *
     * @throws UnreadablePoints
     */
    public static function rows($stream): \Generator
    {
        /** @var array<int, string> $open */
        $open = [];
        foreach (self::of($stream) as $number => $line) {
            $open[$number] = $line;
            if (self::isOpen(implode("\n", $open)) && count($open) <= self::LINES_OF_A_CELL) {
                continue;
            }
            if (count($open) <= self::LINES_OF_A_CELL) {
                yield array_key_first($open) => implode("\n", $open);
            } else {
                yield from $open;
            }
            $open = [];
        }
        yield from $open;
    }

    private static function isOpen(string $row): bool
    {
        if (! str_contains($row, '"')) {
            return false;
        }
        // Whole quoted cells are taken out; a quote that then still begins a cell has no end yet.
        $rest = preg_replace('~(?<=^|[,;\t|])[ ]*"(?:[^"]|"")*"(?=[ ]*(?:$|[,;\t|]))~', '', $row) ?? $row;

        return preg_match('~(?:^|[,;\t|])[ ]*"(?:[^"]|"")*$~', $rest) === 1;
    }

    private static function refuseOthers(string $head): void
    {
        if (trim($head) === '') {
            throw UnreadablePoints::empty();
        }
        $kind = match (true) {
            str_starts_with($head, "\x89PNG"), str_starts_with($head, "\xFF\xD8\xFF"), str_starts_with($head, 'GIF8') => 'a picture',
            str_starts_with($head, '%PDF') => 'a PDF',
            str_starts_with($head, 'PK') => 'a spreadsheet workbook or a packed file',
            str_starts_with($head, "\xFF\xFE"), str_starts_with($head, "\xFE\xFF") => null,
            str_contains($head, "\0") => 'a binary file',
            default => null,
        };
        if ($kind !== null) {
            throw UnreadablePoints::notText($kind);
        }
    }
}
