<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/** Several questions answered from one state of the database, whatever is written meanwhile; nobody who writes has to wait for it. */
final class OneReading
{
    /**
     * @template T
     *
     * @param  callable(): T  $read  writes nothing
     * @return T
     */
    public static function of(callable $read): mixed
    {
        if (DB::transactionLevel() > 0) {
            return $read();
        }
        $pdo = DB::connection()->getPdo();
        $pdo->exec('BEGIN DEFERRED');
        try {
            return $read();
        } finally {
            $pdo->exec('COMMIT');
        }
    }
}
