<?php

declare(strict_types=1);

namespace App\Points;

use Parlay\Core\Formats\PointText\Column;
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
}
