<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\QueryException;

/** What the machine under the database does to it, in words. */
final class Trouble
{
    /** Null for what is Parlay’s fault. Codes: https://www.sqlite.org/rescode.html */
    public static function said(QueryException $e): ?string
    {
        return match ((int) ($e->errorInfo[1] ?? 0)) {
            5, 6 => 'The database is busy with something longer. Nothing was stored by this; send it again in a moment.',
            8, 14 => 'The database can’t be read or written: the data folder has other rights than when Parlay was started, or is '
                .'gone. Nothing was stored. Put it right, then send it again.',
            10, 13 => 'The disk of the data folder is full or failing. Nothing was stored by this, and all that was stored before is '
                .'there. Make room, then send it again.',
            11, 26 => 'The database is damaged. Nothing was stored. Stop Parlay and start it again: it says what can be done.',
            default => null,
        };
    }
}
