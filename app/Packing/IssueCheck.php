<?php

declare(strict_types=1);

namespace App\Packing;

use App\Database\Bytes;
use App\PrintZone;
use App\Reports\IssueCounts;
use App\Reports\IssuedFigures;
use App\Reports\Renumbered;
use App\Reports\ReportScope;
use App\Typed\Values;
use Parlay\Core\Formats\SpreadsheetCell;

/** What an issued report that comes in packed is held to. */
final class IssueCheck
{
    /** Figures of an issued report, unpacked: 100,000 marks with their readings. */
    private const LARGEST_ISSUE = 120_000_000;

    /**
     * What was issued is as it was: its figures are those that its checksum is of.
     *
     * @param  array<string, mixed>  $row
     */
    public static function of(array $row): void
    {
        $bytes = (string) base64_decode((string) $row['figures'], true);
        $json = (string) @gzinflate($bytes, self::LARGEST_ISSUE);
        if ($json === '' || ! hash_equals(hash('sha256', "report {$row['number']}\n$json"), (string) $row['checksum'])) {
            throw new \DomainException('the figures of an issued report are not those that its checksum is of.');
        }
        $figures = IssuedFigures::unpacked($bytes);
        $figures->units();
        self::cells($figures->table);
        Values::of((array) json_decode((string) $row['counts'], true), IssueCounts::class);
        Values::of((array) json_decode((string) $row['scope'], true), ReportScope::class);
        PrintZone::named((string) $row['zone']);
        Renumbered::of(isset($row['renumbered']) ? (array) json_decode((string) $row['renumbered'], true) : null);
    }

    /** A table that goes out as it is has no cell that a spreadsheet would run. */
    private static function cells(string $table): void
    {
        $in = Bytes::stream($table);
        while (($cells = fgetcsv($in, null, ',', '"', '')) !== false) {
            foreach ($cells as $cell) {
                if ($cell !== null && ! is_numeric($cell) && SpreadsheetCell::write($cell) !== $cell) {
                    throw new \DomainException('a cell of an issued table would run as a formula.');
                }
            }
        }
        fclose($in);
    }
}
