<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Point;

/**
 * Writes points into a DXF that every reader of the format opens: a POINT for the place, a TEXT with its name beside it, on a layer of what
 * it is and another of its names. Metres; x is easting, y is northing.
 */
final class DxfPointsWriter
{
    private const TEXT_HEIGHT = 0.25;

    /**
     * @param  iterable<Point>  $points
     * @param  list<string>  $layers  that the points are on
     * @return \Generator<string>
     */
    public static function pieces(iterable $points, array $layers): \Generator
    {
        yield from DxfFrame::head(array_merge(...array_map(static fn (string $l): array => [$l, "$l-NAMES", $l.DxfFrame::WITHOUT], $layers)), alike: 3);
        foreach ($points as $p) {
            $beside = new Position($p->position->northing + self::TEXT_HEIGHT, $p->position->easting + self::TEXT_HEIGHT, $p->position->elevation);
            yield DxfFrame::point($p->layer, $p->position).DxfFrame::label("{$p->layer}-NAMES", $beside, self::TEXT_HEIGHT, $p->name);
        }
        yield DxfFrame::tail();
    }
}
