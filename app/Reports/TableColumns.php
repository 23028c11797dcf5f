<?php

declare(strict_types=1);

namespace App\Reports;

use App\Database\Bytes;
use App\Projects\Models\Project;

/** The columns of the report's table by their names, without the unit that their headings say; chosen ones, in the order chosen. */
final class TableColumns
{
    /** Without its unit: found northing of “found northing [m]”. */
    public static function name(string $heading): string
    {
        return trim((string) preg_replace('~\s*\[[^\]]*\]$~', '', str_replace("\u{FEFF}", '', $heading)));
    }

    /** @return list<string> all that there are, in their order */
    public static function all(Project $project): array
    {
        return array_map(self::name(...), ReportCsv::header($project));
    }

    /**
     * @param  list<string>  $columns  names
     * @return string of a whole table as CSV, only these
     */
    public static function of(string $table, array $columns): string
    {
        [$in, $out] = [Bytes::stream($table), Bytes::stream('')];
        self::copy($in, $out, $columns);
        rewind($out);

        return (string) stream_get_contents($out);
    }

    /**
     * @param  resource  $table  the whole table as CSV, from where it stands
     * @param  resource  $out
     * @param  list<string>  $columns  names; one that is not there stays empty
     */
    public static function copy($table, $out, array $columns): void
    {
        $headings = fgetcsv($table, null, ',', '"', '') ?: [];
        $places = array_flip(array_map(static fn (?string $h): string => self::name((string) $h), $headings));
        $which = array_map(static fn (string $c): ?int => $places[$c] ?? null, $columns);
        // A byte order mark, without which spreadsheets read umlauts wrongly.
        fwrite($out, "\u{FEFF}");
        fputcsv($out, array_map(static fn (?int $i, string $c): string => $i === null ? $c : str_replace("\u{FEFF}", '', (string) $headings[$i]), $which, $columns), ',', '"', '');
        while (($row = fgetcsv($table, null, ',', '"', '')) !== false) {
            fputcsv($out, array_map(static fn (?int $i): string => $i === null ? '' : (string) ($row[$i] ?? ''), $which), ',', '"', '');
        }
    }
}
