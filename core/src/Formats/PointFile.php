<?php

declare(strict_types=1);

namespace Parlay\Core\Formats;

use Parlay\Core\Formats\GeoJson\GeoJsonPoints;
use Parlay\Core\Formats\LandXml\LandXmlPoints;
use Parlay\Core\Formats\PointText\Layout;
use Parlay\Core\Formats\PointText\PointTextReader;
use Parlay\Core\Formats\PointText\UnreadablePoints;
use Parlay\Core\Formats\Shapefile\ShapefilePoints;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Points\RowFault;
use Parlay\Core\Points\StringEnd;
use Parlay\Core\Units\LengthUnit;

/** What a file of points is written in. */
enum PointFile: string
{
    case Text = 'text';
    case LandXml = 'landxml';
    case GeoJson = 'geojson';
    case Shapefile = 'shapefile';

    /** @param  resource  $stream  seekable; left at its beginning */
    public static function kindOf($stream): self
    {
        rewind($stream);
        $head = ltrim((string) fread($stream, 2048), "\xEF\xBB\xBF \t\r\n");
        rewind($stream);

        return match (true) {
            str_starts_with($head, '<?xml'), str_starts_with($head, '<LandXML') => self::LandXml,
            str_starts_with($head, '{') => self::GeoJson,
            str_starts_with($head, 'PK') => self::Shapefile,
            default => self::Text,
        };
    }

    /**
     * @param  resource  $stream
     * @param  Layout  $layout  of a text file; of the others only its unit counts
     * @return \Generator<PointRow|RowFault|StringEnd>
     *
     * @throws UnreadablePoints
     */
    public function rows($stream, Layout $layout): \Generator
    {
        return match ($this) {
            self::Text => PointTextReader::read($stream, $layout),
            self::LandXml => LandXmlPoints::rows($stream, $layout->unit),
            self::GeoJson => GeoJsonPoints::rows($stream, $layout->unit),
            self::Shapefile => ShapefilePoints::rows($stream, $layout->unit),
        };
    }

    /**
     * Whether all places would be degrees on the globe, which nobody stakes.
     *
     * @param  list<PointRow>  $rows
     */
    public function looksLikeDegrees(array $rows, Layout $layout): bool
    {
        return match ($this) {
            self::GeoJson => GeoJsonPoints::looksLikeDegrees($rows),
            self::Text => $rows !== [] && $layout->saysDegrees() && array_filter(
                $rows,
                static fn (PointRow $r) => max(abs($r->position->northing), abs($r->position->easting)) > 180 * $layout->unit->metres(),
            ) === [],
            self::LandXml, self::Shapefile => false,
        };
    }

    /** What a row's number counts. */
    public function place(): string
    {
        return match ($this) {
            self::GeoJson => 'feature',
            self::Shapefile => 'record',
            self::Text, self::LandXml => 'line',
        };
    }

    /**
     * The unit that the file itself says its coordinates are in, null where it does not.
     *
     * @param  resource  $stream  seekable
     *
     * @throws UnreadablePoints
     */
    public function unit($stream): ?LengthUnit
    {
        return match ($this) {
            self::LandXml => LandXmlPoints::unit($stream),
            self::Shapefile => ShapefilePoints::unit($stream),
            self::Text, self::GeoJson => null,
        };
    }
}
