<?php

declare(strict_types=1);

namespace App\Points;

use Parlay\Core\Points\RowFault;

final readonly class FaultEntry
{
    public function __construct(
        public int $line,
        public ?int $column,
        public string $reason,
    ) {}

    public static function of(RowFault $f): self
    {
        return new self($f->line, $f->column, $f->reason);
    }
}
