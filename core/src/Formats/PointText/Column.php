<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\PointText;

/** What a column of a point file is; attributes may stand in several. */
enum Column: string
{
    case Name = 'name';
    case Northing = 'northing';
    case Easting = 'easting';
    case Elevation = 'elevation';
    case Code = 'code';
    case Description = 'description';
    case Attribute = 'attribute';
    case Ignored = 'ignored';

    /** Words that headings use for it, lower case. */
    private const HEADINGS = [
        'name' => [
            'name', 'p', 'point', 'pt', 'pnt', 'pkt', 'pn', '#', 'punktnr', 'pointno', 'ptno', 'bezeichnung', 'id', 'no', 'nr',
            'number', 'punkt', 'station', 'mark', 'pointname', 'pointid', 'label',
        ],
        'northing' => ['n', 'north', 'northing', 'y', 'nord', 'hochwert', 'hw', 'norte', 'lat', 'latitude'],
        'easting' => ['e', 'east', 'easting', 'x', 'ost', 'rechtswert', 'rw', 'este', 'lon', 'lng', 'long', 'longitude'],
        'elevation' => ['z', 'h', 'elev', 'elevation', 'height', 'level', 'rl', 'höhe', 'hoehe', 'el', 'cota', 'alt', 'altitude'],
        'code' => ['code', 'c', 'cd', 'feature', 'type'],
        'description' => ['description', 'd', 'desc', 'remark', 'remarks', 'note', 'comment', 'bemerkung'],
    ];

    /** The column a heading names, null where it names none; units in brackets don't matter. */
    public static function fromHeading(string $heading): ?self
    {
        $word = mb_strtolower(trim((string) preg_replace('~[(\[].*$|[_\s.]+~u', '', trim($heading))));
        foreach (self::HEADINGS as $column => $words) {
            if (in_array($word, $words, true)) {
                return self::from($column);
            }
        }

        return null;
    }
}
