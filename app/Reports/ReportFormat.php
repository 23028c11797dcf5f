<?php

declare(strict_types=1);

namespace App\Reports;

/** What the marks of a report are written as for the office. */
enum ReportFormat: string
{
    case Html = 'html';
    case Dxf = 'dxf';
    case GeoJson = 'geojson';
    case Bcf = 'bcf';
    case Ifc = 'ifc';

    public function type(): string
    {
        return match ($this) {
            self::Html => 'text/html; charset=UTF-8',
            self::Dxf => 'image/vnd.dxf',
            self::GeoJson => 'application/geo+json',
            self::Bcf => 'application/zip',
            self::Ifc => 'application/x-step',
        };
    }
}
