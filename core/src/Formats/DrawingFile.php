<?php

declare(strict_types=1);

namespace Parlay\Core\Formats;

use Parlay\Core\Designs\Drawing;
use Parlay\Core\Formats\Dxf\DxfReader;
use Parlay\Core\Formats\Dxf\ReadOptions;
use Parlay\Core\Formats\Dxf\UnreadableDrawing;
use Parlay\Core\Formats\Shapefile\ShapefileDrawing;

/** A drawing, whatever it is written in: a DXF, or shapefiles in a zip. */
final class DrawingFile
{
    /** @throws UnreadableDrawing */
    public static function read(string $path, ReadOptions $options): Drawing
    {
        $stream = @fopen($path, 'rb') ?: throw UnreadableDrawing::because('That file can’t be opened. Choose it again.');
        $begins = (string) fread($stream, 2);
        rewind($stream);

        return $begins === 'PK' ? ShapefileDrawing::read($path, $options) : DxfReader::read($stream, $options);
    }
}
