<?php

declare(strict_types=1);

namespace App\FieldBook;

use App\Instrument\Models\Observation;
use App\Instrument\Reading;
use App\Projects\Models\Project;
use Parlay\Core\Formats\SpreadsheetCell;

/** All readings of a project as the instrument gave them, so that another program can adjust them: the raw field book as a table. */
final class ReadingsCsv
{
    private const AT_ONCE = 500;

    /** @param  resource  $out */
    public static function write(Project $project, $out): void
    {
        $unit = $project->length_style->unit();
        $u = " [{$unit->value}]";
        // A byte order mark, without which spreadsheets read umlauts wrongly.
        fwrite($out, "\u{FEFF}");
        fputcsv($out, [
            'reading', 'time (UTC)', 'taken for', 'sighted', 'setup', 'station', "instrument height$u", 'instrument', 'serial', ...Reading::header($u), 'humidity', 'means of faces',
            'direction deviation [arcsec]', "distance deviation$u", 'distance deviation [ppm]', 'corrected',
        ], ',', '"', '');
        $setups = SetupOfReading::in($project);
        foreach (Observation::of($project)->orderBy('id')->lazyById(self::AT_ONCE) as $o) {
            $setup = $setups->of($o);
            $accuracy = $o->ownAccuracy()->figures();
            fputcsv($out, [
                (string) $o->id, $o->at, str_replace('_', '-', $o->purpose), SpreadsheetCell::write($o->sighted), (string) $setup?->number, SpreadsheetCell::write((string) $setup?->station_name),
                $setup === null ? '' : number_format($setup->instrument_height / $unit->metres(), 6, '.', ''), SpreadsheetCell::write($o->instrument), SpreadsheetCell::write($o->serial),
                ...Reading::of($o)->cells($unit->metres()), number_format($o->humidity, 3, '.', ''), number_format(1 / $o->angles ** 2, 2, '.', ''),
                number_format(rad2deg($accuracy['angle']) * 3600, 3, '.', ''), number_format($accuracy['distance'] / $unit->metres(), 6, '.', ''), number_format($accuracy['ppm'], 2, '.', ''),
                $o->correction === null ? '' : 'yes',
            ], ',', '"', '');
        }
    }
}
