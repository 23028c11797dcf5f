<?php

declare(strict_types=1);

namespace App\Reports;

use App\Reports\Models\TableLayout;
use Parlay\Core\ListOf;

final readonly class TableLayoutEntry
{
    /** @param  list<string>  $columns  in their order */
    public function __construct(
        public int $id,
        public string $name,
        #[ListOf('string')]
        public array $columns,
    ) {}

    public static function of(TableLayout $l): self
    {
        return new self($l->id, $l->name, $l->names());
    }
}
