<?php

declare(strict_types=1);

namespace Parlay\Core\Points;

/** A row that can't be taken, and why. */
final readonly class RowFault
{
    /** @param  int|null  $column from 1; null where the row as a whole is wrong */
    public function __construct(
        public int $line,
        public ?int $column,
        public string $reason,
    ) {}
}
