<?php

declare(strict_types=1);

namespace App\Projects\Http;

final readonly class UndoBody
{
    /** evenHeld: the person was told what hangs on rows that vanish and said yes. */
    public function __construct(
        public bool $evenHeld = false,
    ) {}
}
