<?php

declare(strict_types=1);

namespace Parlay\Core\Formats;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Name;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Points\RowFault;
use Parlay\Core\Units\LengthUnit;

/** A point whose name, code and description stand among properties, as in a GIS: what they are called is told by the usual words for them. */
final class PropertyPoint
{
    private const NAMES = ['name', 'id', 'point', 'label', 'point_id', 'pointid', 'pt_id', 'number', 'no'];

    private const CODES = ['code', 'type', 'feature', 'layer'];

    private const DESCRIPTIONS = ['description', 'descr', 'desc', 'remark', 'remarks', 'note', 'comment'];

    /** Where the place itself has none. */
    private const ELEVATIONS = ['elevation', 'elev', 'z', 'rl', 'level'];

    private const MOST_ATTRIBUTES = 50;

    /**
     * @param  int  $number  of the feature or record, from 1
     * @param  array<string, string>  $properties
     * @param  list<mixed>  $at  easting, northing and elevation (or null) as the file has them
     * @param  string  $otherwise  its name where no property is one
     */
    public static function row(int $number, array $properties, array $at, LengthUnit $unit, string $otherwise): PointRow|RowFault
    {
        $name = self::first($properties, self::NAMES);
        $fault = Name::fault($name['text'] ?? $otherwise);
        if ($fault !== null) {
            return new RowFault($number, null, $fault);
        }
        $metres = [];
        foreach ($at as $k => $value) {
            if ($k === 2 && ($value === null || (is_float($value) && is_nan($value)))) {
                continue;
            }
            if ((! is_int($value) && ! is_float($value)) || ! is_finite((float) $value) || abs($value * $unit->metres()) > 1e8) {
                return new RowFault($number, null, sprintf('“%s” is not a coordinate', self::shown($value)));
            }
            $metres[$k] = $value * $unit->metres();
        }
        $elevation = isset($metres[2]) ? null : self::first($properties, self::ELEVATIONS, is_numeric(...));
        [$code, $description] = [self::first($properties, self::CODES), self::first($properties, self::DESCRIPTIONS)];
        $used = array_filter([$name['key'] ?? null, $code['key'] ?? null, $description['key'] ?? null, $elevation['key'] ?? null], is_string(...));

        return new PointRow(
            $number, $name['text'] ?? $otherwise,
            new Position($metres[1] ?? 0.0, $metres[0] ?? 0.0, $metres[2] ?? ($elevation === null ? null : (float) $elevation['text'] * $unit->metres())),
            mb_substr($code['text'] ?? '', 0, Name::LONGEST), mb_substr($description['text'] ?? '', 0, 1000),
            self::shown($at[1] ?? null), self::shown($at[0] ?? null),
            array_slice(array_diff_key($properties, array_flip($used)), 0, self::MOST_ATTRIBUTES, true),
        );
    }

    private static function shown(mixed $value): string
    {
        return mb_substr((string) json_encode($value, JSON_PARTIAL_OUTPUT_ON_ERROR), 0, 40);
    }

    /**
     * The first of the keys that says something, in any case of letters.
     *
     * @param  array<string, string>  $properties
     * @param  list<string>  $keys
     * @param  (\Closure(string): bool)|null  $fits
     * @return array{key: string, text: string}|null
     */
    private static function first(array $properties, array $keys, ?\Closure $fits = null): ?array
    {
        $byKey = [];
        foreach ($properties as $key => $text) {
            $byKey[strtolower((string) $key)] ??= ['key' => (string) $key, 'text' => $text];
        }
        foreach ($keys as $key) {
            $found = $byKey[$key] ?? null;
            if ($found !== null && trim($found['text']) !== '' && ($fits === null || $fits($found['text']))) {
                return $found;
            }
        }

        return null;
    }
}
