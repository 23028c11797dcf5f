<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Points\Point;

/**
 * Writes points into a DXF that every reader of the format opens: a POINT for the place, a TEXT with its name beside it, on a layer of what
 * it is and another of its names. Metres; x is easting, y is northing.
 *
 * The version is that of R12, which needs no tables beyond layers; characters beyond ASCII are written as \U+xxxx of the published
 * reference.
 */
final class DxfPointsWriter
{
    private const TEXT_HEIGHT = 0.25;

    private const COLOURS = [5, 3, 1, 6, 4, 2];

    /**
     * @param  iterable<Point>  $points
     * @param  list<string>  $layers  that the points are on
     * @return \Generator<string>
     */
    public static function pieces(iterable $points, array $layers): \Generator
    {
        yield self::tags(
            [0, 'SECTION', 2, 'HEADER', 9, '$ACADVER', 1, 'AC1009', 9, '$INSUNITS', 70, 6, 0, 'ENDSEC', 0, 'SECTION', 2, 'TABLES'],
        );
        yield self::tags(
            [0, 'TABLE', 2, 'LTYPE', 70, 1, 0, 'LTYPE', 2, 'CONTINUOUS', 70, 0, 3, 'Solid line', 72, 65, 73, 0, 40, '0.0', 0, 'ENDTAB'],
        );
        yield self::tags([0, 'TABLE', 2, 'LAYER', 70, 2 * count($layers) + 1, 0, 'LAYER', 2, '0', 70, 0, 62, 7, 6, 'CONTINUOUS']);
        foreach ($layers as $i => $layer) {
            $colour = self::COLOURS[$i % count(self::COLOURS)];
            yield self::tags([
                0, 'LAYER', 2, self::layer($layer), 70, 0, 62, $colour, 6, 'CONTINUOUS', 0, 'LAYER', 2, self::layer("$layer-NAMES"), 70,
                0, 62, $colour, 6, 'CONTINUOUS',
            ]);
        }
        yield self::tags([0, 'ENDTAB', 0, 'ENDSEC', 0, 'SECTION', 2, 'ENTITIES']);
        foreach ($points as $p) {
            [$x, $y, $z] = [
                self::number($p->position->easting), self::number($p->position->northing), self::number($p->position->elevation ?? 0.0),
            ];
            $beside = [self::number($p->position->easting + self::TEXT_HEIGHT), self::number($p->position->northing + self::TEXT_HEIGHT)];
            yield self::tags([
                0, 'POINT', 8, self::layer($p->layer), 10, $x, 20, $y, 30, $z, 0, 'TEXT', 8, self::layer("{$p->layer}-NAMES"), 10,
                $beside[0], 20, $beside[1], 30, $z, 40, self::TEXT_HEIGHT, 1, self::text($p->name),
            ]);
        }
        yield self::tags([0, 'ENDSEC', 0, 'EOF']);
    }

    /** Names of layers are letters, digits, $, - and _ in this version. */
    private static function layer(string $name): string
    {
        return mb_substr(preg_replace('~[^A-Z0-9$_-]+~', '_', strtoupper($name)) ?? '', 0, 31) ?: 'POINTS';
    }

    private static function text(string $text): string
    {
        $plain = preg_replace('~[\x00-\x1F\x7F]~u', ' ', str_contains($text, '%%') ? str_replace('%', '%%%', $text) : $text) ?? '';

        return preg_replace_callback('~[^\x20-\x7E]~u', static function (array $m): string {
            $utf16 = str_split((string) mb_convert_encoding($m[0], 'UTF-16BE', 'UTF-8'), 2);

            return implode('', array_map(static fn (string $unit) => sprintf('\U+%04X', (ord($unit[0]) << 8) + ord($unit[1])), $utf16));
        }, mb_substr($plain, 0, 200)) ?? '';
    }

    private static function number(float $value): string
    {
        return sprintf('%.5F', $value);
    }

    /** @param  list<int|float|string>  $tags  code and value in turn */
    private static function tags(array $tags): string
    {
        $text = '';
        for ($i = 0; $i < count($tags); $i += 2) {
            $text .= sprintf("%3d\n%s\n", $tags[$i], $tags[$i + 1]);
        }

        return $text;
    }
}
