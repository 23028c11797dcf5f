<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Shapefile;

use Parlay\Core\Formats\Dxf\UnreadableDrawing;
use Parlay\Core\Formats\PointText\UnreadablePoints;
use Parlay\Core\Formats\PropertyPoint;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Points\RowFault;
use Parlay\Core\Units\LengthUnit;

/** The points of shapefiles as a list, with their attributes. */
final class ShapefilePoints
{
    /**
     * The unit of the coordinates, null where nothing says it.
     *
     * @param  resource  $stream  of a file
     *
     * @throws UnreadablePoints
     */
    public static function unit($stream): ?LengthUnit
    {
        try {
            $set = ShapefileSet::open(self::path($stream));

            return $set->unit($set->names()[0]);
        } catch (UnreadableDrawing $e) {
            throw UnreadablePoints::because($e->getMessage());
        }
    }

    /**
     * @param  resource  $stream  of a file
     * @return \Generator<PointRow|RowFault> line is the number of the record, counted through all files of points
     *
     * @throws UnreadablePoints
     */
    public static function rows($stream, LengthUnit $unit): \Generator
    {
        try {
            $set = ShapefileSet::open(self::path($stream));
            $number = 0;
            foreach ($set->names() as $name) {
                $set->unit($name);
                foreach ($set->records($name) as $record) {
                    yield self::row(++$number, $record, $unit);
                }
            }
        } catch (UnreadableDrawing $e) {
            throw UnreadablePoints::because($e->getMessage());
        }
    }

    private static function row(int $number, Record $record, LengthUnit $unit): PointRow|RowFault
    {
        return match (true) {
            $record->fault !== null => new RowFault($number, null, $record->fault),
            $record->line => new RowFault($number, null, 'a line is no point: bring it in as a drawing'),
            count($record->parts[0]) > 1 => new RowFault($number, null, 'several places in one record have one name: bring them in as a drawing'),
            default => PropertyPoint::row($number, $record->attributes, $record->parts[0][0], $unit, (string) $record->number),
        };
    }

    /** @param  resource  $stream */
    private static function path($stream): string
    {
        return stream_get_meta_data($stream)['uri'] ?? '';
    }
}
