<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Points\Point;

/**
 * Writes points into a DXF that every reader of the format opens: a POINT for the place, a TEXT with its name beside it, on a layer of what
 * it is and another of its names. Metres; x is easting, y is northing.
 */
final class DxfPointsWriter
{
    private const TEXT_HEIGHT = 0.25;

    /** Ends the name of a layer whose points stand at 0 because nobody knows their height. */
    private const WITHOUT = '-NO-HEIGHT';

    /**
     * @param  iterable<Point>  $points
     * @param  list<string>  $layers  that the points are on
     * @return \Generator<string>
     */
    public static function pieces(iterable $points, array $layers): \Generator
    {
        yield from DxfFrame::head(array_merge(...array_map(static fn (string $l): array => [$l, "$l-NAMES", $l.self::WITHOUT], $layers)), alike: 3);
        foreach ($points as $p) {
            // The format has no point without a height: those that have none are told by their layer.
            $layer = $p->position->elevation === null ? $p->layer.self::WITHOUT : $p->layer;
            [$x, $y, $z] = [
                DxfFrame::number($p->position->easting), DxfFrame::number($p->position->northing), DxfFrame::number($p->position->elevation ?? 0.0),
            ];
            $beside = [DxfFrame::number($p->position->easting + self::TEXT_HEIGHT), DxfFrame::number($p->position->northing + self::TEXT_HEIGHT)];
            yield DxfFrame::tags([
                0, 'POINT', 8, DxfFrame::layer($layer), 10, $x, 20, $y, 30, $z, 0, 'TEXT', 8, DxfFrame::layer("{$p->layer}-NAMES"), 10,
                $beside[0], 20, $beside[1], 30, $z, 40, self::TEXT_HEIGHT, 1, DxfFrame::text($p->name),
            ]);
        }
        yield DxfFrame::tail();
    }
}
