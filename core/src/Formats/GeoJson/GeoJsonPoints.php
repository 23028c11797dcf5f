<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\GeoJson;

use Parlay\Core\Formats\PointText\UnreadablePoints;
use Parlay\Core\Formats\PropertyPoint;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Points\RowFault;
use Parlay\Core\Units\LengthUnit;

/** Points of a GeoJSON feature collection, read as a stream: positions are easting, northing and elevation of the site grid. */
final class GeoJsonPoints
{
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
        $properties = array_filter(is_array($feature['properties'] ?? null) ? $feature['properties'] : [], is_scalar(...));
        $id = is_scalar($feature['id'] ?? null) ? (string) $feature['id'] : '';
        $at = $feature['geometry']['coordinates'] ?? null;
        if (! is_array($at) || ! array_is_list($at) || count($at) < 2) {
            return new RowFault($number, null, 'a point has an easting and a northing, and these are missing');
        }

        return PropertyPoint::row($number, array_map(strval(...), $properties), array_slice($at, 0, 3), $unit, $id);
    }
}
