<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\GeoJson;

use Parlay\Core\Points\Point;

/**
 * Writes points as a GeoJSON feature collection. Positions are easting, northing and elevation of the site grid in metres, not degrees on
 * the globe: the member siteGrid says so, as RFC 7946 (6.1) allows foreign members.
 */
final class GeoJsonWriter
{
    /**
     * @param  iterable<Point>  $points
     * @return \Generator<string>
     */
    public static function pieces(iterable $points, string $project): \Generator
    {
        yield '{"type":"FeatureCollection","siteGrid":'
            .self::json(['project' => $project, 'order' => ['easting', 'northing', 'elevation'], 'unit' => 'm'])
            .",\"features\":[\n";
        $comma = '';
        foreach ($points as $p) {
            $at = [
                round($p->position->easting, 5), round($p->position->northing, 5),
                ...($p->position->elevation === null ? [] : [round($p->position->elevation, 5)]),
            ];
            yield $comma.self::json([
                'type' => 'Feature', 'geometry' => ['type' => 'Point', 'coordinates' => $at],
                'properties' => ['name' => $p->name, 'code' => $p->code, 'description' => $p->description, 'layer' => $p->layer],
            ]);
            $comma = ",\n";
        }
        yield "\n]}\n";
    }

    private static function json(mixed $value): string
    {
        return json_encode(
            $value,
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_INVALID_UTF8_SUBSTITUTE,
        );
    }
}
