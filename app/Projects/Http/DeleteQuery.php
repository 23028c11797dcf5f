<?php

declare(strict_types=1);

namespace App\Projects\Http;

final readonly class DeleteQuery
{
    /** evenHeld: the person was told what hangs on it and said yes. */
    public function __construct(
        public bool $evenHeld = false,
    ) {}
}
