<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\SQLiteConnection;

/**
 * SQLite whose transactions take the right to write when they begin.
 *
 * A transaction that reads first and writes later fails at once, without waiting, when another has written in between. The framework
 * begins them so only from PHP 8.4 on; here the one that PDO began is exchanged for one that waits its turn.
 */
final class ImmediateConnection extends SQLiteConnection
{
    protected function executeBeginTransactionStatement(): void
    {
        $pdo = $this->getPdo();
        $pdo->beginTransaction();
        try {
            // PDO goes on taking this for its own transaction, so that commit and rollback work as ever.
            $pdo->exec('COMMIT; BEGIN IMMEDIATE');
        } catch (\PDOException $e) {
            $pdo->exec('BEGIN');
            $pdo->rollBack();
            throw $e;
        }
    }
}
