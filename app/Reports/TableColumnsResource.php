<?php

declare(strict_types=1);

namespace App\Reports;

use Parlay\Core\ListOf;

final readonly class TableColumnsResource
{
    /**
     * @param  list<string>  $columns  all that the table has, in their order
     * @param  list<TableLayoutEntry>  $layouts  by name
     */
    public function __construct(
        #[ListOf('string')]
        public array $columns,
        #[ListOf(TableLayoutEntry::class)]
        public array $layouts,
    ) {}
}
