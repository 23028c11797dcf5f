<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\GeoJson;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Point;
use Parlay\Core\Reports\IssuedMark;

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
        return self::collection((static function () use ($points): \Generator {
            foreach ($points as $p) {
                yield [$p->position, ['name' => $p->name, 'code' => $p->code, 'description' => $p->description, 'layer' => $p->layer]];
            }
        })(), $project);
    }

    /**
     * Marks where they were found, with their design and how far they lie off it, metres; what nobody knows is null.
     *
     * @param  iterable<IssuedMark>  $marks
     * @return \Generator<string>
     */
    public static function marks(iterable $marks, string $project): \Generator
    {
        return self::collection((static function () use ($marks): \Generator {
            foreach ($marks as $m) {
                $d = $m->deviation();
                yield [$m->foundAt(), [
                    'name' => $m->name, 'code' => $m->code, 'layer' => strtoupper($m->kind), 'verdict' => $m->verdict, 'time' => $m->at, 'setup' => $m->setup,
                    'design northing' => $m->design[0] ?? null, 'design easting' => $m->design[1] ?? null, 'design elevation' => $m->design[2] ?? null,
                    'to north' => self::rounded($d?->northing), 'to east' => self::rounded($d?->easting), 'too high' => self::rounded($d?->height),
                    'horizontal deviation' => self::rounded($d?->plan), 'horizontal uncertainty 95 %' => self::rounded($m->planUncertain),
                    'height uncertainty 95 %' => self::rounded($m->heightUncertain), ...($m->element === '' ? [] : ['element' => $m->element]),
                ]];
            }
        })(), $project);
    }

    /**
     * @param  iterable<array{Position, array<string, mixed>}>  $features
     * @return \Generator<string>
     */
    private static function collection(iterable $features, string $project): \Generator
    {
        yield '{"type":"FeatureCollection","siteGrid":'
            .self::json(['project' => $project, 'order' => ['easting', 'northing', 'elevation'], 'unit' => 'm'])
            .",\"features\":[\n";
        $comma = '';
        foreach ($features as [$p, $properties]) {
            $at = [round($p->easting, 5), round($p->northing, 5), ...($p->elevation === null ? [] : [round($p->elevation, 5)])];
            yield $comma.self::json(['type' => 'Feature', 'geometry' => ['type' => 'Point', 'coordinates' => $at], 'properties' => $properties]);
            $comma = ",\n";
        }
        yield "\n]}\n";
    }

    private static function rounded(?float $metres): ?float
    {
        return $metres === null ? null : round($metres, 6);
    }

    private static function json(mixed $value): string
    {
        return json_encode(
            $value,
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_INVALID_UTF8_SUBSTITUTE,
        );
    }
}
