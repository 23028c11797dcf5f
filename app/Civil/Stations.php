<?php

declare(strict_types=1);

namespace App\Civil;

use App\Projects\Models\Project;
use Parlay\Core\Civil\Alignments\Stationing;
use Parlay\Core\Units\LengthStyle;
use Parlay\Core\Units\LengthUnit;

/** Stations as a project writes them. */
final class Stations
{
    /** With its region where stations are counted anew. */
    public static function written(Project $project, Stationing $stationing, float $along): string
    {
        return self::figure($project, $stationing->stationAt($along))
            .($stationing->regions() > 1 ? ' (region '.$stationing->regionAt($along).')' : '');
    }

    /** For a name: the region only where it is not the first. */
    public static function short(Project $project, Stationing $stationing, float $along): string
    {
        $region = $stationing->regionAt($along);

        return self::figure($project, $stationing->stationAt($along)).($region > 1 ? " ($region)" : '');
    }

    public static function figure(Project $project, float $metres): string
    {
        return $project->station_style->format($metres, self::unit($project->length_style));
    }

    /** Stations are counted in whole metres or feet, whatever lengths are shown in. */
    public static function unit(LengthStyle $style): LengthUnit
    {
        return match ($style) {
            LengthStyle::Metres, LengthStyle::Millimetres => LengthUnit::Metre,
            LengthStyle::UsFeet => LengthUnit::UsFoot,
            default => LengthUnit::Foot,
        };
    }
}
