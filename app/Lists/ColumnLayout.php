<?php

declare(strict_types=1);

namespace App\Lists;

use Parlay\Core\Formats\PointText\Column;
use Parlay\Core\Formats\PointText\Layout;
use Parlay\Core\ListOf;
use Parlay\Core\Units\LengthUnit;

final readonly class ColumnLayout
{
    /**
     * @param  list<Column>  $columns
     * @param  list<string>  $headings
     */
    public function __construct(
        public string $separator,
        public string $decimalMark,
        public int $skip,
        #[ListOf(Column::class)]
        public array $columns,
        public LengthUnit $unit,
        #[ListOf('string')]
        public array $headings = [],
    ) {}

    public static function of(Layout $l): self
    {
        return new self($l->separator, $l->decimalMark, $l->skip, $l->columns, $l->unit, $l->headings);
    }
}
