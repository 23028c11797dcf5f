<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use Parlay\Core\Points\RowFault;

#[OA\Schema]
final readonly class FaultResource
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
