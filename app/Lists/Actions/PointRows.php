<?php

declare(strict_types=1);

namespace App\Lists\Actions;

use App\Lists\ColumnLayout;
use App\Lists\PointsToTake;
use App\Projects\Uploads;
use Parlay\Core\Formats\PointFile;
use Parlay\Core\Formats\PointText\Layout;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Points\RowFault;
use Parlay\Core\Points\StringEnd;

/** The rows of an uploaded list, as it was told to be read and mended. */
final class PointRows
{
    public static function layout(ColumnLayout $body): Layout
    {
        return new Layout($body->separator, $body->decimalMark, max(0, $body->skip), $body->columns, $body->unit, $body->headings);
    }

    /** @return \Generator<PointRow|RowFault|StringEnd> */
    public static function of(string $upload, Layout $layout): \Generator
    {
        $stream = Uploads::open($upload);
        yield from PointFile::kindOf($stream)->rows($stream, $layout);
    }

    /** @return \Generator<PointRow|RowFault|StringEnd> */
    public static function mended(PointsToTake $body): \Generator
    {
        $out = array_flip($body->leaveOutLines);
        $places = array_column($body->places, null, 'line');
        foreach (self::of($body->upload, self::layout($body->layout)) as $row) {
            if (isset($out[$row->line])) {
                continue;
            }
            if ($row instanceof PointRow && isset($places[$row->line])) {
                $row = $row->at(new Position($places[$row->line]->northing, $places[$row->line]->easting, $row->position->elevation));
            }
            yield $row instanceof PointRow && $body->noElevations ? $row->at($row->position->at(null)) : $row;
        }
    }
}
