<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Shapefile;

use Parlay\Core\Formats\Dxf\UnreadableDrawing;

/** The shapes of a .shp, one after another (Shapefile Technical Description, 1998): what its index repeats is not needed. */
final class ShapeRecords
{
    private const FILE_CODE = 9994;

    private const HEADER = 100;

    /** bytes; a shape of four million places is no shape of a site */
    private const LARGEST = 64 << 20;

    /** Below it, a value stands for none. */
    private const NO_DATA = -1e38;

    private const POINT = 1;

    private const LINE = 3;

    private const POLYGON = 5;

    private const PLACES = 8;

    private const PATCH = 31;

    /**
     * @param  resource  $stream  at its beginning
     * @param  string  $name  what the file is called
     * @return \Generator<int, array{list<list<array{float, float, float}>>, bool, string|null}> number of the record to its parts, whether
     *                                                                                   they are lines, and what is wrong with it
     *
     * @throws UnreadableDrawing
     */
    public static function of($stream, string $name): \Generator
    {
        $head = Bytes::of($stream, self::HEADER);
        if (strlen($head) < self::HEADER || self::number('N', $head, 0) !== self::FILE_CODE) {
            throw UnreadableDrawing::because("“{$name}” does not begin as a shapefile does. Ask for it again, all its files together.");
        }
        // Half words of sixteen bits; a file that ends before was cut off.
        $left = 2 * self::number('N', $head, 24) - self::HEADER;
        for ($number = 1; $left >= 8; $number++) {
            $header = Bytes::of($stream, 8);
            $length = strlen($header) === 8 ? 2 * self::number('N', $header, 4) : 0;
            if (strlen($header) < 8 || $length < 4 || $length > self::LARGEST || $length > $left - 8) {
                throw UnreadableDrawing::cutOff("“{$name}”, record $number");
            }
            $body = Bytes::of($stream, $length);
            if (strlen($body) < $length) {
                throw UnreadableDrawing::cutOff("“{$name}”, record $number");
            }
            $left -= 8 + $length;
            yield $number => self::shape($body);
        }
    }

    /** @return array{list<list<array{float, float, float}>>, bool, string|null} */
    private static function shape(string $body): array
    {
        $type = self::number('V', $body, 0);
        if ($type === 0) {
            return [[], false, 'a shape without a place'];
        }
        if ($type === self::PATCH) {
            return [[], false, 'surfaces of patches, which are not read: ask for them as faces of a drawing or as LandXML'];
        }
        $flat = $type % 10;
        $hasHeight = $type > 10 && $type < 20;
        if (! in_array($flat, [self::POINT, self::LINE, self::POLYGON, self::PLACES], true) || $type > 28) {
            return [[], false, sprintf('a kind of shape that the format does not know (%d)', $type)];
        }
        $parts = $flat === self::POINT ? self::point($body, $hasHeight) : self::places($body, $flat !== self::PLACES, $hasHeight);

        return match (true) {
            $parts === null => [[], false, 'a shape that says it has more places than are there'],
            ! self::areNumbers($parts) => [[], false, 'a shape with a coordinate that is no number'],
            default => [$parts, $flat === self::LINE || $flat === self::POLYGON, null],
        };
    }

    /** @return list<list<array{float, float, float}>>|null */
    private static function point(string $body, bool $hasHeight): ?array
    {
        if (strlen($body) < ($hasHeight ? 28 : 20)) {
            return null;
        }
        $v = self::doubles($body, 4, $hasHeight ? 3 : 2);

        return [[[$v[0], $v[1], self::height($v[2] ?? NAN)]]];
    }

    /** @return list<list<array{float, float, float}>>|null */
    private static function places(string $body, bool $inParts, bool $hasHeight): ?array
    {
        // Kind and box, then how many parts and places.
        if (strlen($body) < ($inParts ? 44 : 40)) {
            return null;
        }
        [$begins, $count, $at] = $inParts
            ? [self::number('V', $body, 36), self::number('V', $body, 40), 44]
            : [0, self::number('V', $body, 36), 40];
        $end = $at + 4 * $begins + 16 * $count;
        if ($count < 1 || ($inParts && $begins < 1) || $end + ($hasHeight ? 16 + 8 * $count : 0) > strlen($body)) {
            return null;
        }
        $from = $inParts ? array_values((array) unpack("V$begins", $body, $at)) : [0];
        $xy = self::doubles($body, $at + 4 * $begins, 2 * $count);
        $z = $hasHeight ? self::doubles($body, $end + 16, $count) : [];
        $parts = [];
        foreach ($from as $i => $first) {
            $next = $from[$i + 1] ?? $count;
            if (! is_int($first) || ! is_int($next) || $first >= $next || $next > $count) {
                return null;
            }
            $part = [];
            for ($k = $first; $k < $next; $k++) {
                $part[] = [$xy[2 * $k], $xy[2 * $k + 1], self::height($z[$k] ?? NAN)];
            }
            $parts[] = $part;
        }

        return $parts;
    }

    /** @param  list<list<array{float, float, float}>>  $parts */
    private static function areNumbers(array $parts): bool
    {
        foreach ($parts as $part) {
            foreach ($part as $p) {
                // A hundred thousand kilometres are in no unit the place of a site.
                if (! (abs($p[0]) < 4e8 && abs($p[1]) < 4e8) || abs($p[2]) > 1e7) {
                    return false;
                }
            }
        }

        return true;
    }

    private static function height(float $z): float
    {
        return $z < self::NO_DATA ? NAN : $z;
    }

    private static function number(string $format, string $bytes, int $at): int
    {
        $found = unpack($format, $bytes, $at);

        return is_array($found) && is_int($found[1] ?? null) ? $found[1] : 0;
    }

    /** @return list<float> little-endian, whatever the machine */
    private static function doubles(string $bytes, int $at, int $count): array
    {
        $found = unpack("e$count", $bytes, $at);

        return array_map(floatval(...), array_values(is_array($found) ? $found : []));
    }
}
