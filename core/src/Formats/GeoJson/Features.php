<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\GeoJson;

use Parlay\Core\Formats\PointText\UnreadablePoints;

/** Cuts the features of a collection out of a stream, one object after another; the file is never held whole. */
final class Features
{
    private const PIECE = 65_536;

    private const LARGEST = 1_048_576;

    /**
     * @param  resource  $stream  at its beginning
     * @return \Generator<int, mixed> number of the feature from 1 to its decoded object
     *
     * @throws UnreadablePoints
     */
    public static function of($stream): \Generator
    {
        $buffer = self::upToFeatures($stream);
        $number = 0;
        while (true) {
            $buffer = ltrim($buffer, " \t\r\n,");
            if ($buffer === '' && ! feof($stream)) {
                $buffer = (string) fread($stream, self::PIECE);

                continue;
            }
            if ($buffer === '' || $buffer[0] !== '{') {
                break;
            }
            $end = self::endOfObject($buffer, $stream, ++$number);
            $feature = json_decode(substr($buffer, 0, $end), true, 64);
            if ($feature === null) {
                throw UnreadablePoints::brokenJson($number, json_last_error_msg());
            }
            yield $number => $feature;
            $buffer = substr($buffer, $end);
        }
        if (($buffer[0] ?? '') !== ']') {
            throw UnreadablePoints::brokenJson($number + 1, 'the list of features does not end');
        }
    }

    /** @param  resource  $stream */
    private static function upToFeatures($stream): string
    {
        $buffer = '';
        while (strlen($buffer) < self::LARGEST) {
            $buffer .= fread($stream, self::PIECE);
            if (preg_match('~"features"\s*:\s*\[~', $buffer, $found, PREG_OFFSET_CAPTURE) === 1) {
                return substr($buffer, $found[0][1] + strlen($found[0][0]));
            }
            if (feof($stream)) {
                break;
            }
        }
        throw UnreadablePoints::brokenJson(1, 'it has no list of features');
    }

    /**
     * Reads on until the object that the buffer begins with is whole.
     *
     * @param  resource  $stream
     */
    private static function endOfObject(string &$buffer, $stream, int $number): int
    {
        $depth = $at = 0;
        while (true) {
            $at += strcspn($buffer, '{}"', $at);
            if ($at >= strlen($buffer)) {
                $at = strlen($buffer);
                self::more($buffer, $stream, $number);

                continue;
            }
            if ($buffer[$at] === '"') {
                $close = self::endOfString($buffer, $at + 1);
                if ($close === null) {
                    self::more($buffer, $stream, $number);
                } else {
                    $at = $close;
                }

                continue;
            }
            $depth += $buffer[$at] === '{' ? 1 : -1;
            $at++;
            if ($depth === 0) {
                return $at;
            }
        }
    }

    private static function endOfString(string $buffer, int $at): ?int
    {
        while (true) {
            $at += strcspn($buffer, '"\\', $at);
            if ($at >= strlen($buffer)) {
                return null;
            }
            if ($buffer[$at] === '"') {
                return $at + 1;
            }
            $at += 2;
            if ($at > strlen($buffer)) {
                return null;
            }
        }
    }

    /** @param  resource  $stream */
    private static function more(string &$buffer, $stream, int $number): void
    {
        $piece = feof($stream) ? '' : (string) fread($stream, self::PIECE);
        if ($piece === '' || strlen($buffer) > self::LARGEST) {
            throw UnreadablePoints::brokenJson(
                $number, $piece === '' ? 'it was cut off in this feature' : 'this feature is larger than any point',
            );
        }
        $buffer .= $piece;
    }
}
