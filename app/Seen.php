<?php

declare(strict_types=1);

namespace App;

use Illuminate\Database\Eloquent\Model;

/** Of two who change one thing the later is told: what a change was begun on is sent with it, and must be so still. */
final class Seen
{
    /**
     * @param  Model  $row  as it is now, with a version that grows with every change; ask within the transaction that changes it
     * @param  int  $seen  the version that the change was begun on
     *
     * @throws \DomainException
     */
    public static function requireVersion(Model $row, int $seen, string $name): void
    {
        if ((int) $row->getAttribute('version') !== $seen) {
            throw new \DomainException("“{$name}” was changed elsewhere meanwhile. It is shown as it is now; make your change again.");
        }
    }

    /**
     * A list as it was when a change of it was begun; null where the sender doesn't say. An empty one says that there was nothing.
     *
     * @param  list<mixed>|null  $seen
     * @param  list<mixed>  $is  ask within the transaction that changes it
     *
     * @throws \DomainException
     */
    public static function requireList(?array $seen, array $is, string $name): void
    {
        if ($seen !== null && $seen !== $is) {
            throw new \DomainException("“{$name}” was changed elsewhere meanwhile. It is shown as it is now; make your change again.");
        }
    }

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
