<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/** Numbers of rows: none is ever given twice, also not after the row that had it is gone. */
final class Numbers
{
    /**
     * The number that the next row of a table gets. Ask within the transaction that writes it: nobody else writes meanwhile.
     *
     * The database itself remembers the highest it ever gave (AUTOINCREMENT), deleted rows and rows written with their number included.
     */
    public static function next(string $table): int
    {
        return 1 + (int) DB::scalar(
            "SELECT max(coalesce((SELECT seq FROM sqlite_sequence WHERE name = ?), 0), coalesce((SELECT max(id) FROM $table), 0))",
            [$table],
        );
    }
}
