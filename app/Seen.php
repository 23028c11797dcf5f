<?php

declare(strict_types=1);

namespace App;

use Illuminate\Database\Eloquent\Model;

/** Of two who change one thing the later is told: what a change was begun on is sent with it, and must be so still. */
final class Seen
{
    /**
     * @param  Model  $row  as it is now; ask within the transaction that changes it
     * @param  array<string, mixed>|null  $seen  its columns as they were when the change was begun; null where the sender doesn't say
     *
     * @throws \DomainException
     */
    public static function refuseOther(Model $row, ?array $seen, string $name): void
    {
        if ($seen !== null && (clone $row)->forceFill($seen)->isDirty(array_keys($seen))) {
            throw new \DomainException(
                "“{$name}” was changed elsewhere meanwhile. Nothing was overwritten: close this, look at it, and change it again.",
            );
        }
    }
}
