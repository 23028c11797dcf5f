<?php

declare(strict_types=1);

namespace Parlay\Core\Formats;

use Parlay\Core\Designs\Drawing;
use Parlay\Core\Formats\Dxf\DxfReader;
use Parlay\Core\Formats\Dxf\ReadOptions;
use Parlay\Core\Formats\Dxf\UnreadableDrawing;
use Parlay\Core\Formats\Ifc\IfcDrawing;
use Parlay\Core\Formats\Ifc\IfcFile;
use Parlay\Core\Formats\Shapefile\ShapefileDrawing;

/** A drawing, whatever it is written in: a DXF, shapefiles in a zip, or a building model (IFC). */
final class DrawingFile
{
    /** @throws UnreadableDrawing */
    public static function read(string $path, ReadOptions $options): Drawing
    {
        $stream = @fopen($path, 'rb') ?: throw UnreadableDrawing::because('That file can’t be opened. Choose it again.');
        $begins = ltrim((string) fread($stream, 200), "\xEF\xBB\xBF \n\r\t");
        rewind($stream);
        if (str_starts_with($begins, 'ISO-10303-21') || (str_starts_with($begins, 'PK') && IfcFile::isIn($path))) {
            return IfcDrawing::read($path, $options);
        }

        return str_starts_with($begins, 'PK') ? ShapefileDrawing::read($path, $options) : DxfReader::read($stream, $options);
    }
}
