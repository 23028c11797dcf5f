<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

/**
 * An XML file from outside, in pieces, safe to parse: one that defines names of its own is refused before a parser sees it, because such
 * names can be made to fetch other files or to grow into gigabytes. In an encoding of two bytes it is turned into UTF-8.
 */
final class XmlText
{
    /** Bytes before the first element that are looked through. */
    private const LONGEST_PROLOGUE = 200_000;

    private const PIECE = 262_144;

    /** Encodings in which what is looked for is written as in ASCII. */
    private const KNOWN = '~^(utf-?8|us-ascii|ascii|iso-8859-\d{1,2}|windows-125\d|latin-?\d)$~i';

    /**
     * The line on which names are defined; null where none are.
     *
     * @param  resource  $stream
     */
    public static function definesNamesAt($stream): ?int
    {
        $before = self::prologue($stream);
        $plain = self::plain($before);

        return stripos(substr($plain, 0, self::firstElement($plain)), '<!DOCTYPE') !== false || stripos($plain, '<!ENTITY') !== false
            ? 1 + substr_count(substr($before, 0, (int) stripos($before, '<!')), "\n")
            : null;
    }

    /**
     * Whether there is more before the first element than any file has.
     *
     * @param  resource  $stream
     */
    public static function neverBegins($stream): bool
    {
        $before = self::prologue($stream);
        $plain = self::plain($before);

        return strlen($before) >= self::LONGEST_PROLOGUE && self::firstElement($plain) === strlen($plain);
    }

    /**
     * @param  resource  $stream
     * @return \Generator<string> UTF-8, or bytes in the encoding that the file itself declares
     *
     * @throws UnreadableModel
     */
    public static function pieces($stream): \Generator
    {
        $line = self::definesNamesAt($stream);
        if ($line !== null) {
            throw UnreadableModel::definesNames($line);
        }
        $start = (string) fread($stream, 400);
        rewind($stream);
        if (trim($start) === '') {
            throw UnreadableModel::empty();
        }
        $wide = self::wide($start);
        if ($wide === null && preg_match('~^[^<]{0,8}<\?xml[^>]*encoding\s*=\s*["\']([^"\']*)~', $start, $m) === 1
            && preg_match(self::KNOWN, $m[1]) !== 1) {
            throw UnreadableModel::unknownEncoding($m[1]);
        }
        $first = true;
        $rest = '';
        while (! feof($stream)) {
            $piece = $rest.fread($stream, self::PIECE);
            $rest = '';
            if ($wide !== null) {
                // A pair of surrogates is not cut, as long as there is more.
                $keep = feof($stream) ? strlen($piece) % 2 : strlen($piece) % 4;
                $rest = $keep === 0 ? '' : substr($piece, -$keep);
                $piece = mb_scrub((string) mb_convert_encoding(substr($piece, 0, strlen($piece) - $keep), 'UTF-8', $wide), 'UTF-8');
            }
            if ($first) {
                $piece = preg_replace('~^\xEF\xBB\xBF~', '', $piece) ?? $piece;
                $piece = $wide === null ? $piece : (preg_replace('~(<\?xml[^>]*?)\s+encoding\s*=\s*["\'][^"\']*["\']~', '$1', $piece, 1) ?? $piece);
                $first = false;
            }
            yield $piece;
        }
    }

    private static function wide(string $start): ?string
    {
        return match (true) {
            str_starts_with($start, "\xFF\xFE"), str_starts_with($start, "<\0") => 'UTF-16LE',
            str_starts_with($start, "\xFE\xFF"), str_starts_with($start, "\0<") => 'UTF-16BE',
            default => null,
        };
    }

    /** @param  resource  $stream */
    private static function prologue($stream): string
    {
        rewind($stream);
        $before = str_replace("\0", '', (string) fread($stream, self::LONGEST_PROLOGUE));
        rewind($stream);

        return $before;
    }

    /** Without comments and instructions. */
    private static function plain(string $before): string
    {
        return preg_replace('~<!--.*?-->|<\?.*?\?>~s', '', $before) ?? $before;
    }

    private static function firstElement(string $plain): int
    {
        return preg_match('~<[A-Za-z_]~', $plain, $m, PREG_OFFSET_CAPTURE) === 1 ? $m[0][1] : strlen($plain);
    }
}
