<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Geometry\Position;

/**
 * What every DXF that is written here begins and ends with. The version is that of R12, which needs no tables beyond layers; characters
 * beyond ASCII are written as \U+xxxx of the published reference. Metres; x is easting, y is northing.
 */
final class DxfFrame
{
    /** Ends the name of a layer whose points stand at 0 because nobody knows their height. */
    public const WITHOUT = '-NO-HEIGHT';

    private const COLOURS = [5, 3, 1, 6, 4, 2];

    /**
     * @param  list<string>  $layers
     * @param  int<1, max>  $alike  so many layers in turn have one colour
     * @return \Generator<string>
     */
    public static function head(array $layers, int $alike = 1): \Generator
    {
        return self::coloured(array_map(static fn (int $i): array => [$layers[$i], self::COLOURS[intdiv($i, $alike) % count(self::COLOURS)]], array_keys($layers)));
    }

    /**
     * @param  list<array{string, int}>  $layers  each with its colour, of the format's own list
     * @return \Generator<string>
     */
    public static function coloured(array $layers): \Generator
    {
        yield self::tags(
            [0, 'SECTION', 2, 'HEADER', 9, '$ACADVER', 1, 'AC1009', 9, '$INSUNITS', 70, 6, 0, 'ENDSEC', 0, 'SECTION', 2, 'TABLES'],
        );
        yield self::tags(
            [0, 'TABLE', 2, 'LTYPE', 70, 1, 0, 'LTYPE', 2, 'CONTINUOUS', 70, 0, 3, 'Solid line', 72, 65, 73, 0, 40, '0.0', 0, 'ENDTAB'],
        );
        yield self::tags([0, 'TABLE', 2, 'LAYER', 70, count($layers) + 1, 0, 'LAYER', 2, '0', 70, 0, 62, 7, 6, 'CONTINUOUS']);
        foreach ($layers as [$layer, $colour]) {
            yield self::tags([0, 'LAYER', 2, self::layer($layer), 70, 0, 62, $colour, 6, 'CONTINUOUS']);
        }
        yield self::tags([0, 'ENDTAB', 0, 'ENDSEC', 0, 'SECTION', 2, 'ENTITIES']);
    }

    /** A point; the format has none without a height: those that have none are told by their layer. */
    public static function point(string $layer, Position $p): string
    {
        return self::tags([0, 'POINT', 8, self::layer($p->elevation === null ? $layer.self::WITHOUT : $layer), ...self::at($p)]);
    }

    /** @param  float  $height  metres */
    public static function label(string $layer, Position $p, float $height, string $text): string
    {
        return self::tags([0, 'TEXT', 8, self::layer($layer), ...self::at($p), 40, $height, 1, self::text($text)]);
    }

    /** @return list<int|string> */
    private static function at(Position $p): array
    {
        return [10, self::number($p->easting), 20, self::number($p->northing), 30, self::number($p->elevation ?? 0.0)];
    }

    public static function tail(): string
    {
        return self::tags([0, 'ENDSEC', 0, 'EOF']);
    }

    /** Names of layers are letters, digits, $, - and _ in this version. */
    public static function layer(string $name): string
    {
        return mb_substr(preg_replace('~[^A-Z0-9$_-]+~', '_', strtoupper($name)) ?? '', 0, 31) ?: 'POINTS';
    }

    public static function text(string $text): string
    {
        $plain = preg_replace('~[\x00-\x1F\x7F]~u', ' ', str_contains($text, '%%') ? str_replace('%', '%%%', $text) : $text) ?? '';

        return preg_replace_callback('~[^\x20-\x7E]~u', static function (array $m): string {
            $utf16 = str_split((string) mb_convert_encoding($m[0], 'UTF-16BE', 'UTF-8'), 2);

            return implode('', array_map(static fn (string $unit) => sprintf('\U+%04X', (ord($unit[0]) << 8) + ord($unit[1])), $utf16));
        }, mb_substr($plain, 0, 200)) ?? '';
    }

    public static function number(float $value): string
    {
        return sprintf('%.5F', $value);
    }

    /** @param  list<int|float|string>  $tags  code and value in turn */
    public static function tags(array $tags): string
    {
        $text = '';
        for ($i = 0; $i < count($tags); $i += 2) {
            $text .= sprintf("%3d\n%s\n", $tags[$i], $tags[$i + 1]);
        }

        return $text;
    }
}
