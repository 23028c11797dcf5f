<?php

declare(strict_types=1);

namespace App\Worklists\Http;

/** A point of a worklist that is left out for now, or taken up again. */
final readonly class SkipBody
{
    public function __construct(
        public int $pointId,
        public bool $skipped = true,
    ) {}
}
