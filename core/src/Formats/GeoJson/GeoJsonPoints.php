<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\GeoJson;

use Parlay\Core\Formats\PointText\UnreadablePoints;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Name;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Points\RowFault;
use Parlay\Core\Units\LengthUnit;

/** Points of a GeoJSON feature collection, read as a stream: positions are easting, northing and elevation of the site grid. */
final class GeoJsonPoints
{
    private const NAMES = ['name', 'Name', 'NAME', 'id', 'ID', 'point', 'label'];

    private const CODES = ['code', 'Code', 'CODE', 'type'];

    private const DESCRIPTIONS = ['description', 'desc', 'remark', 'note'];

    /**
     * @param  resource  $stream
     * @return \Generator<PointRow|RowFault>  line is the number of the feature
     *
     * @throws UnreadablePoints
     */
    public static function rows($stream, LengthUnit $unit): \Generator
    {
        rewind($stream);
        foreach (Features::of($stream) as $number => $feature) {
            $type = is_array($feature) && is_array($feature['geometry'] ?? null) ? $feature['geometry']['type'] ?? null : null;
            yield match (true) {
                $type === 'Point' => self::row($number, $feature, $unit),
                is_string($type) => new RowFault($number, null, sprintf('a %s is no point', mb_substr($type, 0, 40))),
                default => new RowFault($number, null, 'the feature has no geometry'),
            };
        }
    }

    /**
     * Site coordinates of a whole site that would all be degrees on the globe probably are.
     *
     * @param  list<PointRow>  $rows
     */
    public static function looksLikeDegrees(array $rows): bool
    {
        if ($rows === []) {
            return false;
        }
        $e = array_map(static fn (PointRow $r) => $r->position->easting, $rows);
        $n = array_map(static fn (PointRow $r) => $r->position->northing, $rows);
        $onGlobe = max(array_map(abs(...), $e)) <= 180 && max(array_map(abs(...), $n)) <= 90;

        // A site in metres is wider than a degree; one in degrees is far narrower.
        return $onGlobe && max($e) - min($e) < 1 && max($n) - min($n) < 1;
    }

    /** @param  array<string, mixed>  $feature */
    private static function row(int $number, array $feature, LengthUnit $unit): PointRow|RowFault
    {
        $properties = is_array($feature['properties'] ?? null) ? $feature['properties'] : [];
        $name = self::word($properties, self::NAMES) ?? (is_scalar($feature['id'] ?? null) ? (string) $feature['id'] : '');
        $fault = Name::fault($name);
        $at = $feature['geometry']['coordinates'] ?? null;
        if ($fault !== null || ! is_array($at) || ! array_is_list($at) || count($at) < 2) {
            return new RowFault($number, null, $fault ?? 'a point has an easting and a northing, and these are missing');
        }
        $metres = [];
        foreach (array_slice($at, 0, 3) as $k => $value) {
            if ($k === 2 && $value === null) {
                continue;
            }
            if ((! is_int($value) && ! is_float($value)) || ! is_finite((float) $value) || abs($value * $unit->metres()) > 1e8) {
                return new RowFault($number, null, sprintf('“%s” is not a coordinate', mb_substr((string) json_encode($value), 0, 40)));
            }
            $metres[] = $value * $unit->metres();
        }
        $known = [...self::NAMES, ...self::CODES, ...self::DESCRIPTIONS];
        $attributes = array_map(strval(...), array_filter(array_diff_key($properties, array_flip($known)), is_scalar(...)));

        return new PointRow(
            $number, $name, new Position($metres[1], $metres[0], $metres[2] ?? null),
            mb_substr(self::word($properties, self::CODES) ?? '', 0, Name::LONGEST),
            mb_substr(self::word($properties, self::DESCRIPTIONS) ?? '', 0, 1000),
            (string) json_encode($at[1]), (string) json_encode($at[0]), array_slice($attributes, 0, 50),
        );
    }

    /**
     * @param  array<string, mixed>  $properties
     * @param  list<string>  $keys
     */
    private static function word(array $properties, array $keys): ?string
    {
        foreach ($keys as $key) {
            if (isset($properties[$key]) && is_scalar($properties[$key]) && (string) $properties[$key] !== '') {
                return (string) $properties[$key];
            }
        }

        return null;
    }
}
