<?php

declare(strict_types=1);

namespace App\Reports;

/** A table of any length for a printed sheet: its rows are made one after another while it is drawn, and never stand in memory together. */
final readonly class LongTable
{
    /**
     * @param  list<Column>  $columns
     * @param  iterable<array{cells?: list<list<string>>, span?: string, bold?: bool, quiet?: bool}>  $rows  each cell a list of lines;
     *     or words across the whole width
     * @param  bool  $boxes  an empty box before each row, to be ticked by hand
     */
    public function __construct(
        public string $heading,
        public array $columns,
        public iterable $rows,
        public string $ifEmpty = '',
        public bool $boxes = false,
    ) {}
}
